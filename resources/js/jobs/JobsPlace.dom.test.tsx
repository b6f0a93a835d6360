// @vitest-environment jsdom
import { cleanup, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { api, type JobRow } from '../api/client';
import { inDocument } from '../testing-dom';
import { fits } from './JobList';
import JobsPlace from './JobsPlace';

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

const row = (id: number, title: string, stage: string, more: Partial<JobRow> = {}): JobRow => ({
  away: false,
  id,
  title,
  kind: 'travel_trailer',
  customer: 'Pippin & Scion',
  customerId: 4,
  revision: 3,
  changedAt: '2026-03-04T10:00:00Z',
  stage,
  next: 'Work through the dangers',
  blocks: ['2 dangers open'],
  dangers: 2,
  done: 0,
  steps: 0,
  plan: 'Inverter panel',
  rig: title,
  rigId: id + 100,
  assumed: 0,
  here: [],
  ...more,
});

function floor(jobs: JobRow[], more = false) {
  const get = vi
    .spyOn(api, 'GET')
    .mockImplementation(((path: string) =>
      Promise.resolve({ data: path === '/floor' ? { jobs: [] } : { jobs, more }, response: new Response() })) as never);
  inDocument(<JobsPlace />);
  return get;
}

describe('the jobs on the floor', () => {
  it('say whose they are, what blocks them, what is next and who is on them', async () => {
    floor([row(1, 'Hive trailer', 'prove', { here: ['Robin'] }), row(2, 'Choir caravan', 'survey', { dangers: 0 })]);
    await screen.findByRole('link', { name: 'Hive trailer' });
    const text = document.body.textContent;
    for (const part of [
      'Choir caravan',
      'Pippin & Scion',
      'travel trailer',
      'revision 3',
      '2 dangers open',
      'Robin on it',
    ])
      expect(text).toContain(part);
    expect(screen.getAllByRole('link', { name: 'Pippin & Scion' })[0]!.getAttribute('href')).toBe('/customers/4');
    expect(screen.getByRole('link', { name: 'Choir caravan' }).getAttribute('href')).toBe('/jobs/2/survey');
  });

  it('are sorted out by what stands next, and searched by the server', async () => {
    const get = floor([row(1, 'Hive trailer', 'prove'), row(2, 'Choir caravan', 'survey', { dangers: 0 })]);
    const user = userEvent.setup();
    await screen.findByRole('link', { name: 'Hive trailer' });
    await user.click(screen.getByRole('radio', { name: 'to survey' }));
    expect(screen.queryByRole('link', { name: 'Hive trailer' })).toBeNull();
    expect(screen.getByRole('link', { name: 'Choir caravan' })).not.toBeNull();
    await user.click(screen.getByRole('radio', { name: 'with dangers open' }));
    expect(screen.queryByRole('link', { name: 'Choir caravan' })).toBeNull();
    await user.type(screen.getByLabelText('Find a rig or a customer'), 'hive');
    await vi.waitFor(() => expect(JSON.stringify(get.mock.calls.at(-1))).toContain('"find":"hive"'));
  });

  it('say how to begin, and that there are earlier ones', async () => {
    floor([]);
    expect(await screen.findByText(/Start a new one/)).not.toBeNull();
    cleanup();
    vi.restoreAllMocks();
    floor([row(1, 'Hive trailer', 'plan')], true);
    expect(await screen.findByRole('button', { name: 'Earlier jobs' })).not.toBeNull();
  });

  it('may have dangers as long as nobody has worked them out', () => {
    expect(fits(row(1, 'x', 'plan', { dangers: null }), 'dangers')).toBe(true);
    expect(fits(row(1, 'x', 'plan', { dangers: 0 }), 'dangers')).toBe(false);
  });
});
