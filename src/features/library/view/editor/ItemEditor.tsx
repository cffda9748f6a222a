"use client";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { FormProvider, useForm, useWatch } from "react-hook-form";
import { v7 } from "uuid";
import { sayDone, sayProblem } from "@/client/notices";
import type { ItemBody } from "@/core/items/itemBody";
import { undoAction } from "@/server/history/undoAction";
import { PageHead } from "@/ui/layout/PageHead";
import { Button, ButtonLink } from "@/ui/primitives/Button";
import { dropDraftAction, makeBankAction, putIntoUseAction } from "../../actions";
import type { EditorView } from "../../itemTypes";
import { About } from "./About";
import { Alongside } from "./Alongside";
import { bodyOf, type DraftFields, fieldsOf } from "./draftFields";
import { NumbersThatChange } from "./NumbersThatChange";
import { Misconceptions } from "./PartFieldsView";
import { Parts } from "./Parts";
import type { Preview } from "./preview";
import { Told } from "./Told";
import { type SaveState, useDraft } from "./useDraft";
import { usePassage } from "./usePassage";
import { useUndo } from "./useUndo";

const SAVED_WORDS = {
  untouched: "Kept as you go.",
  saving: "Saving…",
} as const;
const savedWords = (save: SaveState): string =>
  save.state === "saved"
    ? `Draft saved at ${save.at}.`
    : save.state === "untouched" || save.state === "saving"
      ? SAVED_WORDS[save.state]
      : save.message;

/** Writes an item, with the student's view of it beside, live; kept as one goes, put into use when it is sound. */
export function ItemEditor({
  view: given,
  base,
  Preview,
}: {
  readonly view: EditorView;
  readonly base: string;
  readonly Preview: Preview;
}) {
  const router = useRouter();
  // What was begun stays: a page that is made anew meanwhile would give a new item another name.
  const [view] = useState(given);
  const first = useMemo(() => fieldsOf(view.draft.body as ItemBody, view.draft), [view]);
  const form = useForm<DraftFields>({ defaultValues: first });
  const { control, getValues, reset } = form;
  const watched = useWatch({ control }) as DraftFields;
  const passage = usePassage(view.passage, watched.passageId);
  const text = JSON.stringify(watched);
  const before = useRef(JSON.stringify(first));
  const [changes, setChanges] = useState(0);
  const { body, unreadRanges } = useMemo(
    () => bodyOf(JSON.parse(text) as DraftFields, view.draft.body as ItemBody),
    [text, view],
  );
  const undo = useUndo(text, (earlier) => reset(JSON.parse(earlier) as DraftFields));
  useEffect(() => {
    if (text === before.current) return;
    before.current = text;
    setChanges((count) => count + 1);
  }, [text]);
  const message = useCallback(
    (itemId: string, revision: number) => {
      const { depth, calculator, language, skillIds, standardIds, passageId } = getValues();
      const made = bodyOf(getValues(), view.draft.body as ItemBody).body;
      return {
        itemId,
        bankId: view.bank.id,
        revision,
        body: made,
        depth: depth === "" ? null : Number(depth),
        calculator,
        language,
        skillIds,
        standardIds,
        passageId: passageId === "" ? null : passageId,
      };
    },
    [getValues, view],
  );
  const { save, flush } = useDraft((revision) => message(view.itemId, revision), changes, {
    revision: view.draft.revision,
    prepare: () => bankIsThere(view),
  });
  const use = async () => {
    const revision = await flush();
    if (revision === null) return;
    const done = await putIntoUseAction({ itemId: view.itemId, revision });
    if (!done.ok) return sayProblem(done.message);
    sayDone(`In use, version ${done.data.version}.`, () => undoAction(done.data.changeId));
    router.push(`${base}/library/items/${view.itemId}`);
  };
  const copyMine = async () => {
    const itemId = v7();
    const response = await fetch("/api/items/draft", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(message(itemId, 0)),
    });
    if (!response.ok) return sayProblem("The copy could not be kept. Try again.");
    router.push(`${base}/library/items/${itemId}/edit`);
  };
  const drop = async () => {
    if (save.state === "untouched" && view.draft.revision === 0) return router.push(`${base}/library/items`);
    const done = await dropDraftAction({ itemId: view.itemId });
    if (!done.ok) return sayProblem(done.message);
    sayDone("The draft was thrown away.");
    router.push(done.data.isGone ? `${base}/library/items` : `${base}/library/items/${view.itemId}`);
  };
  return (
    <FormProvider {...form}>
      <Misconceptions.Provider value={view.misconceptions}>
        <div className="px-5 py-4">
          <PageHead
            title={view.isNew ? "New item" : view.versionInUse === null ? "Draft of an item" : "Change an item"}
            sub={
              <>
                In “{view.bank.name || "My items"}”. <span role="status">{savedWords(save)}</span>
                {view.studentsInUse > 0
                  ? ` ${view.studentsInUse === 1 ? "1 student" : `${view.studentsInUse} students`} answered version ${view.versionInUse}; this becomes another one, and their results stay as they are.`
                  : ""}
              </>
            }
          >
            <Button onClick={undo.back} disabled={!undo.canGoBack} aria-keyshortcuts="Control+Z">
              Undo
            </Button>
            <Button onClick={() => void drop()}>Throw the draft away</Button>
            <Button look="main" onClick={() => void use()} disabled={save.state === "conflict"}>
              Put into use
            </Button>
          </PageHead>
          {save.state === "conflict" ? (
            <div role="alert" className="border-clay mb-4 flex flex-wrap items-center gap-3 border-l-4 pl-3">
              <p>{save.message}</p>
              <Button onClick={() => window.location.reload()}>Look at theirs</Button>
              <Button onClick={() => void copyMine()}>Keep mine as a copy</Button>
            </div>
          ) : null}
          <div className="grid items-start gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,7fr)_minmax(0,5fr)]">
            <form className="space-y-6" onSubmit={(event) => event.preventDefault()}>
              <Parts skills={view.skills} />
              <NumbersThatChange unread={unreadRanges} />
              <Told />
              <About
                skills={view.skills}
                standards={view.standards}
                standardChoices={view.standardChoices}
                passages={view.passages}
              />
            </form>
            <Alongside itemId={view.itemId} body={body} passage={passage} Preview={Preview} />
          </div>
          <p className="mt-6">
            <ButtonLink
              look="quiet"
              href={view.isNew ? `${base}/library/items` : `${base}/library/items/${view.itemId}`}
            >
              Leave; the draft stays
            </ButtonLink>
          </p>
        </div>
      </Misconceptions.Provider>
    </FormProvider>
  );
}

/** Somebody's first item makes their bank. What keeps it from being there, in words; null when it is. */
async function bankIsThere(view: EditorView): Promise<string | null> {
  if (view.ownBanks.some(({ id }) => id === view.bank.id) || !view.isNew) return null;
  const made = await makeBankAction({ id: view.bank.id, name: "My items" });
  return made.ok ? null : made.message;
}
