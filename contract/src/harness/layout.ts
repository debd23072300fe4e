import { Graph, layout } from '@dagrejs/dagre';
import type { HarnessPart } from '@knapsack/core';

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A box with its middle. */
export interface Box extends Point {
  readonly width: number;
  readonly height: number;
}

/** The way of a run in the direction of the current. */
export interface CableRunWay {
  /** Where it leaves one part and meets the other. */
  readonly start: Point;
  readonly end: Point;
  /** Room for its words: the run passes straight through it, or along its left edge where the harness is drawn downward. */
  readonly words: Box | null;
  /** Whether the battery lies at its end rather than at its start. */
  readonly flowsIn: boolean;
}

/** Where everything of a harness is drawn, in px from the top left. */
export interface HarnessLayout {
  readonly width: number;
  readonly height: number;
  readonly parts: ReadonlyMap<string, Box>;
  /** The way of each run, by the id of the part that it joins. */
  readonly runs: ReadonlyMap<string, CableRunWay>;
}

/** From left to right, or from top to bottom on a narrow screen. */
export type Direction = 'across' | 'down';

const PART_HEIGHT = 46;
/** px a letter, and what stands beside the letters. */
const LETTER = 8.1;
const SMALL_LETTER = 6.3;
const AROUND = 26;
const LEAST_WIDTH = 104;
/** Room for the words of a run and the sign of its fuse. */
const WORDS: Readonly<Record<Direction, { readonly width: number; readonly height: number }>> = {
  across: { width: 164, height: 68 },
  down: { width: 122, height: 74 },
};

/** Whether the current of a part's run flows towards the battery. */
export const flowsIn = ({ kind }: HarnessPart): boolean =>
  kind === 'panel' || kind === 'controller' || kind === 'battery' || kind === 'station';

/**
 * Lays a harness out in the direction of the current, panels first, loads last. Source: layered drawing by dagre.
 *
 * @param small what stands above the name of each part, by its id
 */
export function layOut(
  parts: readonly HarnessPart[],
  direction: Direction,
  small: ReadonlyMap<string, string>,
): HarnessLayout {
  const graph = new Graph({ directed: true });
  graph.setGraph({
    rankdir: direction === 'across' ? 'LR' : 'TB',
    nodesep: direction === 'across' ? 12 : 10,
    edgesep: direction === 'across' ? 12 : 6,
    ranksep: direction === 'across' ? 34 : 20,
    marginx: 10,
    marginy: 10,
  });
  graph.setDefaultEdgeLabel(() => ({}));
  for (const { id, name } of parts) {
    graph.setNode(id, {
      width: Math.max(
        LEAST_WIDTH,
        name.length * LETTER + AROUND,
        (small.get(id)?.length ?? 0) * SMALL_LETTER + AROUND,
      ),
      height: PART_HEIGHT,
    });
  }
  for (const part of parts) {
    if (part.from === null || !graph.hasNode(part.from)) continue;
    const [from, to] = flowsIn(part) ? [part.id, part.from] : [part.from, part.id];
    graph.setEdge(from, to, { ...(part.run ? WORDS[direction] : {}), labelpos: 'c' });
  }
  layout(graph);
  const { width = 0, height = 0 } = graph.graph() as { width?: number; height?: number };
  putFirst(graph, parts.find(({ kind }) => kind === 'radio')?.id, direction, { width, height });
  const boxes = new Map(parts.map(({ id }) => [id, graph.node(id) as Box]));
  return { width, height, parts: boxes, runs: waysOf(graph, parts, direction) };
}

/** Mirrors a layout where it has put the radio last: what matters most stands first. */
function putFirst(
  graph: Graph,
  id: string | undefined,
  direction: Direction,
  size: { readonly width: number; readonly height: number },
): void {
  const [axis, extent] =
    direction === 'across' ? (['y', size.height] as const) : (['x', size.width] as const);
  if (id === undefined || (graph.node(id) as Box)[axis] <= extent / 2) return;
  const placed = [
    ...graph.nodes().map((node: string) => graph.node(node)),
    ...graph.edges().map((edge: { v: string; w: string }) => graph.edge(edge)),
  ];
  for (const one of placed as { x?: number; y?: number }[]) {
    const at = one[axis];
    if (at !== undefined) one[axis] = extent - at;
  }
}

/** Runs leave and meet a part side by side, in the order in which they lie, so that none hides another. */
function waysOf(
  graph: Graph,
  parts: readonly HarnessPart[],
  direction: Direction,
): ReadonlyMap<string, CableRunWay> {
  const joined = parts.filter(({ from }) => from !== null && graph.hasNode(from));
  const isAcross = direction === 'across';
  const edges = joined.map((part) => {
    const isIn = flowsIn(part);
    const [from, to] = isIn ? [part.id, part.from!] : [part.from!, part.id];
    const { x, y } = graph.edge(from, to) as { x?: number; y?: number };
    const words = part.run && x !== undefined && y !== undefined ? { x, y, ...WORDS[direction] } : null;
    return { id: part.id, from, to, words, isIn };
  });
  const along = ({ x, y }: Point) => (isAcross ? y : x);
  const port = (node: string, at: 'from' | 'to', id: string): Point => {
    const { x, y, width, height } = graph.node(node) as Box;
    const beside = edges
      .filter((edge) => edge[at] === node)
      .sort((a, b) => along(placed(graph, a, at)) - along(placed(graph, b, at)));
    const room = (isAcross ? height : width) - 12;
    const step = Math.min(14, room / Math.max(1, beside.length - 1));
    const offset = (beside.findIndex((edge) => edge.id === id) - (beside.length - 1) / 2) * step;
    const side = at === 'from' ? 0.5 : -0.5;
    return isAcross ? { x: x + side * width, y: y + offset } : { x: x + offset, y: y + side * height };
  };
  return new Map(
    edges.map(({ id, from, to, words, isIn }) => [
      id,
      { start: port(from, 'from', id), end: port(to, 'to', id), words, flowsIn: isIn },
    ]),
  );
}

/** Where an edge leads to, seen from one of its ends. */
const placed = (
  graph: Graph,
  { from, to, words }: { readonly from: string; readonly to: string; readonly words: Point | null },
  at: 'from' | 'to',
): Point => words ?? (graph.node(at === 'from' ? to : from) as Box);
