import type { ELK, ElkNode } from 'elkjs/lib/elk-api';
import workerUrl from 'elkjs/lib/elk-worker.min.js?url';

let elk: Promise<ELK> | null = null;
let here: Promise<ELK> | null = null;

/** The layout library in a worker of its own, fetched when the first wall is laid out. */
export async function engine(graph: ElkNode): Promise<ElkNode> {
  elk ??= import('elkjs/lib/elk-api').then(({ default: Elk }) => new Elk({ workerUrl }));
  return (await elk).layout(graph);
}

/**
 * The same without a worker: for a page that is printed, where the printing browser's clock runs on while a worker
 * still works.
 */
export async function engineHere(graph: ElkNode): Promise<ElkNode> {
  here ??= import('elkjs/lib/elk.bundled.js').then(({ default: Elk }) => new Elk());
  return (await here).layout(graph);
}
