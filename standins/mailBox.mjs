// A mail box for the demo: takes every mail that the application sends and shows it on a page. Nothing leaves this machine.
import { createServer } from "node:http";
import { simpleParser } from "mailparser";
import { SMTPServer } from "smtp-server";

const MOST_KEPT = 100;

/** Starts the mail server and its page; `mails` holds what came, the latest first. */
export async function startMailBox({ smtpPort, pagePort }) {
  const mails = [];
  const smtp = new SMTPServer({
    authOptional: true,
    disabledCommands: ["STARTTLS", "AUTH"],
    onData(stream, _session, done) {
      simpleParser(stream)
        .then(({ to, subject, text }) => {
          const address = Array.isArray(to) ? to.map((one) => one.text).join(", ") : (to?.text ?? "");
          mails.unshift({ to: address, subject: subject ?? "", text: text ?? "", at: new Date().toISOString() });
          mails.length = Math.min(mails.length, MOST_KEPT);
          done();
        })
        .catch(done);
    },
  });
  const page = createServer((request, response) => {
    if (request.url === "/mails.json") {
      response.setHeader("content-type", "application/json; charset=utf-8");
      response.end(JSON.stringify(mails));
      return;
    }
    response.setHeader("content-type", "text/html; charset=utf-8");
    response.end(pageOf(mails));
  });
  await new Promise((resolve, reject) => smtp.listen(smtpPort, "127.0.0.1", resolve).on("error", reject));
  await new Promise((resolve, reject) => page.listen(pagePort, "127.0.0.1", resolve).on("error", reject));
  return {
    mails,
    close: () => Promise.all([new Promise((done) => smtp.close(done)), new Promise((done) => page.close(done))]),
  };
}

const escaped = (text) => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);
const linked = (text) =>
  escaped(text).replace(/https?:\/\/[^\s]+/g, (address) => `<a href="${address}">${address}</a>`);

function pageOf(mails) {
  const list = mails
    .map(
      ({ to, subject, text, at }) =>
        `<article><h2>${escaped(subject)}</h2><p>to ${escaped(to)}, ${at.slice(0, 16).replace("T", " ")} UTC</p><pre>${linked(text)}</pre></article>`,
    )
    .join("");
  return `<!doctype html><html lang="en"><meta charset="utf-8"><title>Mail box of the demo</title>
<style>body{font:16px/1.5 sans-serif;max-width:46rem;margin:2rem auto;padding:0 1rem;background:#fbf8f2;color:#14232b}article{border-top:1px solid #ddd4c3;padding:.5rem 0}pre{white-space:pre-wrap;font:inherit}p{color:#55636a}h2{margin:.3rem 0 0;font-size:1.1rem}</style>
<h1>Mail box of the demo</h1><p>Every mail that the application sends lands here. Reload to see new ones.</p>${list || "<p>No mail yet.</p>"}</html>`;
}
