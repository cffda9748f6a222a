import "server-only";
import { Graph, layout } from "@dagrejs/dagre";

export const NODE = { width: 132, height: 72 } as const;
const APART = { ranks: 26, nodes: 18, edges: 10 } as const;
/** What keeps a column in its place pulls on nothing else. */
const PIN_WEIGHT = 0.01;

export interface MappedSkill {
  readonly id: string;
  readonly grade: number;
  readonly prerequisites: readonly string[];
}

export interface MapLayout {
  readonly width: number;
  readonly height: number;
  /** Upper left corners. */
  readonly places: ReadonlyMap<string, { readonly x: number; readonly y: number; readonly rank: number }>;
  readonly lines: readonly {
    readonly from: string;
    readonly to: string;
    readonly points: readonly { readonly x: number; readonly y: number }[];
  }[];
  /** Where each grade begins and ends. */
  readonly grades: readonly { readonly grade: number; readonly x: number; readonly width: number }[];
}

/**
 * Skills in columns from the earliest grade on, each to the right of what it builds on and no grade beside another one; within a column
 * so that few lines cross (layered drawing after Sugiyama, by dagre). Pixels.
 */
export function mapLayout(skills: readonly MappedSkill[]): MapLayout {
  const ranks = ranksOf(skills);
  const graph = new Graph();
  graph.setGraph({ rankdir: "LR", nodesep: APART.nodes, edgesep: APART.edges, ranksep: APART.ranks });
  graph.setDefaultEdgeLabel(() => ({}));
  for (const { id } of skills) graph.setNode(id, { ...NODE });
  for (const { id, prerequisites } of skills)
    for (const from of prerequisites) if (ranks.has(from)) graph.setEdge(from, id, { weight: 2 });
  // A spine of a point for each column holds every skill in its own.
  const last = Math.max(0, ...ranks.values());
  for (let rank = -1; rank <= last + 1; rank++) graph.setNode(pin(rank), { width: 0, height: 0 });
  for (let rank = -1; rank <= last; rank++) graph.setEdge(pin(rank), pin(rank + 1), { weight: PIN_WEIGHT });
  for (const [id, rank] of ranks) {
    graph.setEdge(pin(rank - 1), id, { weight: PIN_WEIGHT });
    graph.setEdge(id, pin(rank + 1), { weight: PIN_WEIGHT });
  }
  layout(graph);
  const centre = (id: string) => graph.node(id) as { readonly x: number; readonly y: number };
  const left = Math.min(...skills.map(({ id }) => centre(id).x)) - NODE.width / 2;
  const top = Math.min(...skills.map(({ id }) => centre(id).y)) - NODE.height / 2;
  const places = new Map(
    skills.map(({ id }) => {
      const { x, y } = centre(id);
      return [id, { x: x - NODE.width / 2 - left, y: y - NODE.height / 2 - top, rank: ranks.get(id) ?? 0 }] as const;
    }),
  );
  const lines = skills.flatMap(({ id, prerequisites }) =>
    prerequisites
      .filter((from) => ranks.has(from))
      .map((from) => {
        const { points } = graph.edge(from, id) as { readonly points: readonly { x: number; y: number }[] };
        const [out, into] = [places.get(from), places.get(id)];
        const middle = NODE.height / 2;
        return {
          from,
          to: id,
          // Lines leave on the right and come in on the left; between, they pass where no skill stands.
          points: [
            { x: (out?.x ?? 0) + NODE.width, y: (out?.y ?? 0) + middle },
            ...points.slice(1, -1).map(({ x, y }) => ({ x: x - left, y: y - top })),
            { x: into?.x ?? 0, y: (into?.y ?? 0) + middle },
          ],
        };
      }),
  );
  const all = [...places.values()];
  const lowest = lines.flatMap(({ points }) => points.map(({ y }) => y));
  return {
    width: Math.max(...all.map(({ x }) => x)) + NODE.width,
    height: Math.max(...all.map(({ y }) => y + NODE.height), ...lowest) + 4,
    places,
    lines,
    grades: gradesOf(skills, places),
  };
}

const pin = (rank: number): string => `pin ${rank}`;

/** Columns: after all of what it builds on, and after every skill of an earlier grade. A circle counts as far as it was come. */
function ranksOf(skills: readonly MappedSkill[]): ReadonlyMap<string, number> {
  const ranks = new Map<string, number>();
  const byId = new Map(skills.map((skill) => [skill.id, skill]));
  const grades = [...new Set(skills.map(({ grade }) => grade))].sort((x, y) => x - y);
  for (const grade of grades) {
    const start = Math.max(-1, ...ranks.values()) + 1;
    const rankOf = (id: string, above: readonly string[]): number => {
      const skill = byId.get(id);
      const known = ranks.get(id);
      if (known !== undefined || !skill || skill.grade !== grade || above.includes(id)) return known ?? start - 1;
      const before = skill.prerequisites.map((one) => rankOf(one, [...above, id]));
      const rank = Math.max(start, ...before.map((one) => one + 1));
      ranks.set(id, rank);
      return rank;
    };
    for (const skill of skills) if (skill.grade === grade) rankOf(skill.id, []);
  }
  return ranks;
}

function gradesOf(skills: readonly MappedSkill[], places: MapLayout["places"]): MapLayout["grades"] {
  const grades = [...new Set(skills.map(({ grade }) => grade))].sort((x, y) => x - y);
  return grades.map((grade) => {
    const own = skills.filter((skill) => skill.grade === grade).map(({ id }) => places.get(id)?.x ?? 0);
    const x = Math.min(...own);
    return { grade, x, width: Math.max(...own) + NODE.width - x };
  });
}
