"use client";
import { ItemPreview } from "@/features/delivery/view/ItemPreview";
import type { EditorView, NotesView, ItemPageView as PageView } from "@/features/library/itemTypes";
import { ItemEditor } from "@/features/library/view/editor/ItemEditor";
import type { Preview } from "@/features/library/view/editor/preview";
import { ItemPageView } from "@/features/library/view/ItemPageView";

/** What students answer with is theirs, what is written is the library's: here the two meet. */
const AsStudents = ItemPreview as unknown as Preview;

export function ItemEditorWithPreview(props: { readonly view: EditorView; readonly base: string }) {
  return <ItemEditor {...props} Preview={AsStudents} />;
}

export function ItemPageWithPreview(props: {
  readonly view: PageView;
  readonly notes: NotesView;
  readonly base: string;
  readonly draw: number;
}) {
  return <ItemPageView {...props} Preview={AsStudents} />;
}
