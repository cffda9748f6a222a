import type { ReactNode } from "react";
import { Button, ButtonLink } from "../primitives/Button";
import { Progress } from "../primitives/Progress";
import { PageHead } from "./PageHead";

/** A file while it is read, with a way to stop it. */
export function FileBeingRead({
  share,
  words,
  stop,
}: {
  readonly share: number;
  readonly words: string;
  readonly stop: () => void;
}) {
  return (
    <div role="status">
      <PageHead title="Reading the file" sub="Nothing has changed yet." />
      <p className="mb-4">
        <Progress share={share} words={words} />
      </p>
      <Button onClick={stop}>Stop reading</Button>
    </div>
  );
}

/** A file that can't be read, with what is wrong and where to choose another one. */
export function FileRefused({
  title,
  sentences,
  again,
  children,
}: {
  readonly title: string;
  readonly sentences: readonly string[];
  readonly again: string;
  readonly children?: ReactNode;
}) {
  return (
    <div role="alert">
      <PageHead title={title} sub="Nothing was changed." />
      <ul className="border-clay mb-5 border-l-4 pl-3">
        {sentences.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ul>
      <div className="flex gap-2">
        <ButtonLink look="main" href={again}>
          Choose another file
        </ButtonLink>
        {children}
      </div>
    </div>
  );
}
