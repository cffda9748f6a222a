import "server-only";
import { createTransport } from "nodemailer";

export interface Mail {
  readonly to: string;
  readonly subject: string;
  readonly text: string;
}
export type SendMail = (mail: Mail) => Promise<void>;

/** Sends through the mail server at an address such as smtp://localhost:2525; without one, mails cannot be sent. */
export function mailSender(serverAddress: string | undefined, from: string): SendMail {
  if (!serverAddress)
    return () => Promise.reject(new Error("No mail server is set up (OXBOW_MAIL_URL), so the mail was not sent."));
  const transport = createTransport(serverAddress);
  return async (mail) => {
    await transport.sendMail({ from, ...mail });
  };
}
