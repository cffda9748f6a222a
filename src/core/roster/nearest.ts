import { editDistance } from "../answers/editDistance";

/**
 * The known name that was likely meant: the nearest one, when it differs in few letters for its length and is the only one.
 * @example nearest("6 Aldr", ["6 Alder", "6 Rowan"]) // "6 Alder"
 */
export function nearest(name: string, known: readonly string[]): string | null {
  const bare = (text: string) => text.toLowerCase().replace(/\s+/g, "");
  const distances = known
    .map((candidate) => ({ candidate, away: editDistance(bare(name), bare(candidate)) }))
    .sort((x, y) => x.away - y.away);
  const [best, second] = distances;
  if (!best || best.away > Math.max(1, Math.floor(name.length / 4))) return null;
  return second && second.away === best.away ? null : best.candidate;
}
