import "server-only";
/** A content file that does not read as one: which file, and what is wrong in it. */
export class ContentFault extends Error {
  override readonly name = "ContentFault";
}
