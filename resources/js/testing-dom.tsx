import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { configure, render, type RenderResult } from '@testing-library/react';
import { App } from 'antd';
import { readFileSync } from 'node:fs';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import type { JobDocument, Reference } from './api/client';

/* What tests in a document need: the core's own reference, and the demo rig. */

export const reference = JSON.parse(readFileSync('storage/fixtures/reference.json', 'utf8')) as Reference;

export const demo = (): JobDocument => JSON.parse(readFileSync('tests/golden/format-1.json', 'utf8')) as JobDocument;

// A busy machine shows a thing later, and none too late.
configure({ asyncUtilTimeout: 20_000 });

// What a document without a screen does not have.
window.matchMedia ??= (query: string) =>
  ({ matches: false, media: query, addEventListener: () => undefined, removeEventListener: () => undefined }) as never;
window.ResizeObserver ??= class {
  observe = () => undefined;
  unobserve = () => undefined;
  disconnect = () => undefined;
};

/** A component in a document, with the reference at hand. */
export function inDocument(node: ReactNode): RenderResult {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  client.setQueryData(['reference'], reference);
  return render(
    <QueryClientProvider client={client}>
      <MemoryRouter>
        <App>{node}</App>
      </MemoryRouter>
    </QueryClientProvider>,
  );
}
