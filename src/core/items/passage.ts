/** A text that items are asked about, as it is read. */
export interface Passage {
  readonly title: string;
  readonly paragraphs: readonly string[];
}
