import type { ElkNode } from 'elkjs/lib/elk-api';
import type { Strip } from './graph';

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
const SEEDS = ['1', '2', '3', '4', '5', '6', '7', '8'];

/**
 * Orders of the deck to be tried, the likeliest first. With one battery the given order is the best there is; with
 * several the order in a layer is found.
 */
export function deckWays(deck: Strip): Record<string, string>[] {
  const banks = [...deck.plates.values()].filter((p) => p.shape === 'bank').length;
  if (banks < 2) return [DECK];
  const found = { ...COMMON, 'elk.direction': 'RIGHT', 'elk.spacing.nodeNode': '14', 'elk.layered.thoroughness': '20' };
  const free = { ...found, 'elk.layered.considerModelOrder.strategy': 'NONE' };
  return [DECK, found, ...SEEDS.map((seed) => ({ ...free, 'elk.randomSeed': seed }))];
}
