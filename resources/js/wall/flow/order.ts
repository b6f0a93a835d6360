import type { ElkExtendedEdge, ElkNode } from 'elkjs/lib/elk-api';
import { dropId, toElk, type Strip } from './graph';
import { crossings } from './measure';
import { CLEAR, pointsOf } from './routes';

/** Lays a graph out in layers by flow; in the browser a worker does it. */
export type Engine = (graph: ElkNode) => Promise<ElkNode>;

export const COMMON = {
  'elk.algorithm': 'layered',
  'elk.edgeRouting': 'ORTHOGONAL',
  'elk.spacing.nodeNode': '26',
  'elk.spacing.edgeNode': '16',
  'elk.spacing.edgeEdge': '13',
  'elk.layered.spacing.nodeNodeBetweenLayers': '30',
  'elk.layered.spacing.edgeNodeBetweenLayers': '12',
  'elk.layered.spacing.edgeEdgeBetweenLayers': '12',
  // What stood above before stands above still: a part that is added reorders nothing.
  'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
  'elk.layered.nodePlacement.strategy': 'LINEAR_SEGMENTS',
  'elk.padding': '[top=0,left=0,bottom=0,right=0]',
};

/** On the deck the order is given: drops above, positive leads, negative ones below. */
export const DECK = {
  ...COMMON,
  'elk.direction': 'RIGHT',
  'elk.spacing.nodeNode': '12',
  'elk.layered.crossingMinimization.strategy': 'NONE',
  'elk.layered.crossingMinimization.forceNodeModelOrder': 'true',
  'elk.layered.crossingMinimization.greedySwitch.type': 'OFF',
};

/** Where the search for an order begins: always the same few. */
const SEEDS = ['1', '2', '3'];

/** A lead that would rise under a part is as bad as so many crossings. */
const UNDER = 50;

/** Leads that come up to the 120 V side under a part that stands above them. */
function coveredDrops(graph: ElkNode): number {
  const nodes = graph.children ?? [];
  return nodes.filter((d) => {
    const x = (d.x ?? 0) + (d.width ?? 0) / 2;
    const over = (n: ElkNode) => x > (n.x ?? 0) - CLEAR && x < (n.x ?? 0) + (n.width ?? 0) + CLEAR;
    return d.id.startsWith(dropId('')) && nodes.some((n) => n !== d && (n.y ?? 0) < (d.y ?? 0) && over(n));
  }).length;
}

/** Of several batteries the order in a layer is found, where that crosses fewer leads than the given one. */
export async function deckOptions(deck: Strip, sequence: string[], engine: Engine): Promise<Record<string, string>> {
  const banks = [...deck.plates.values()].filter((p) => p.shape === 'bank').length;
  if (banks < 2) return DECK;
  const found = { ...COMMON, 'elk.direction': 'RIGHT', 'elk.spacing.nodeNode': '14', 'elk.layered.thoroughness': '20' };
  const free = { ...found, 'elk.layered.considerModelOrder.strategy': 'NONE' };
  const ways = [DECK, found, ...SEEDS.map((seed) => ({ ...free, 'elk.randomSeed': seed }))];
  const laid = await Promise.all(ways.map((o) => engine(toElk(deck, o, sequence))));
  const crossed = laid.map(
    (graph) =>
      crossings(((graph.edges ?? []) as ElkExtendedEdge[]).map((edge) => pointsOf(edge, 0) ?? [])) +
      UNDER * coveredDrops(graph),
  );
  return ways[crossed.indexOf(Math.min(...crossed))]!;
}
