// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { App } from 'antd';
import type { ReactNode } from 'react';
import { afterEach, expect, it, vi } from 'vitest';
import { api } from '../api/client';
import '../testing-dom';
import { useDesign } from './useDesign';

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

const design = (revision: number) => ({ revision, views: [], answers: {}, notices: [], document: { title: 'Rig' } });
const said = (data: unknown) => ({ data, response: new Response() });

function held() {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>
      <App>{children}</App>
    </QueryClientProvider>
  );
  return { client, ...renderHook(() => useDesign(7, ''), { wrapper }) };
}

it('does not go back to what was read before an edit was stored', async () => {
  let late: (value: unknown) => void = () => undefined;
  const get = vi.spyOn(api, 'GET').mockResolvedValueOnce(said(design(2)) as never);
  vi.spyOn(api, 'POST').mockResolvedValue(said(design(3)) as never);
  const { client, result } = held();
  await waitFor(() => expect(result.current.hold?.design.revision).toBe(2));
  get.mockReturnValueOnce(new Promise((answer) => (late = answer)) as never);
  let read: Promise<unknown> = Promise.resolve();
  // What is asked anew when somebody has signed in again, while what was held back goes.
  act(() => void (read = client.invalidateQueries()));
  await act(async () => {
    expect(await result.current.hold?.edit({ kind: 'set_title', title: 'Rig' } as never)).toBe(true);
  });
  expect(result.current.hold?.design.revision).toBe(3);
  await act(async () => {
    late(said(design(2)));
    await read;
  });
  await waitFor(() => expect(client.isFetching()).toBe(0));
  expect(result.current.hold?.design.revision).toBe(3);
});

it('keeps what is there when it cannot be read again', async () => {
  const get = vi.spyOn(api, 'GET').mockResolvedValueOnce(said(design(2)) as never);
  const { client, result } = held();
  await waitFor(() => expect(result.current.hold?.design.revision).toBe(2));
  get.mockResolvedValue({ error: {}, response: new Response(null, { status: 401 }) } as never);
  await act(async () => client.invalidateQueries());
  expect(get).toHaveBeenCalledTimes(2);
  await waitFor(() => expect(client.isFetching()).toBe(0));
  expect(result.current.error).toBeNull();
  expect(result.current.hold?.design.revision).toBe(2);
  get.mockResolvedValue({ error: {}, response: new Response(null, { status: 404 }) } as never);
  await act(async () => client.invalidateQueries());
  await waitFor(() => expect(result.current.error).not.toBeNull());
});
