"use client";
import { type FormEvent, useRef, useState } from "react";

export interface Upload {
  /** 0 to 1 while a file is on its way; null otherwise. */
  readonly sent: number | null;
  readonly problem: string | null;
  readonly send: (event: FormEvent<HTMLFormElement>) => void;
  readonly stop: () => void;
}

/** Sends a form with its file, and says how far it is; `then` gets the server's answer. */
export function useUpload<Answer>(address: string, then: (answer: Answer) => void): Upload {
  const [problem, setProblem] = useState<string | null>(null);
  const [sent, setSent] = useState<number | null>(null);
  const request = useRef<XMLHttpRequest | null>(null);
  const refuse = (words: string) => {
    setSent(null);
    setProblem(words);
  };
  const send = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    setProblem(null);
    setSent(0);
    const upload = new XMLHttpRequest();
    request.current = upload;
    upload.upload.onprogress = ({ loaded, total }) => setSent(loaded / Math.max(1, total));
    upload.onload = () => {
      const answer = JSON.parse(upload.responseText || "{}") as Answer & { readonly message?: string };
      if (upload.status === 200) then(answer);
      else refuse(answer.message ?? "The file could not be sent. Please try again.");
    };
    upload.onerror = () =>
      refuse("The connection was lost while the file was sent. Nothing was changed; send it again.");
    upload.onabort = () => setSent(null);
    upload.open("POST", address);
    upload.send(new FormData(event.currentTarget));
  };
  return { sent, problem, send, stop: () => request.current?.abort() };
}
