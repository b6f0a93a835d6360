// @vitest-environment jsdom
import { cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { TakeOff } from '../api/client';
import { inDocument } from '../testing-dom';
import { Bill } from './Bill';
import { Choices } from './Choices';
import { Terminals } from './Terminals';

afterEach(cleanup);

const line = (more: object) => ({
  group: 'part',
  label: 'Bank',
  component: 'bank',
  quantity: 2,
  unit: 'each',
  code: 'x',
  offer: 'lithium 100 Ah',
  each: 360,
  total: 720,
  minutes: 60,
  assumed: false,
  ...more,
});

const list = (more: object): TakeOff =>
  ({
    currency: 'EUR',
    costs: {
      lines: [line({}), line({ label: 'Sleeves', component: '', group: 'lug', offer: null, each: null, total: null })],
      tools: [{ name: 'Crimper', price: 120 }],
      material: 720,
      hours: 4.5,
      hoursOf: { fitting: 1.2, takingOut: 0.3, around: 3 },
      hour: 80,
      labour: 360,
      total: 1080,
      without: ['Sleeves'],
      assumed: 0,
      ...more,
    },
  }) as unknown as TakeOff;

describe('the bill', () => {
  it('has the sum with work, each group with its own, and names what has no price', () => {
    inDocument(<Bill list={list({})} />);
    expect(screen.getByText('1,080.00 EUR')).toBeTruthy();
    expect(screen.getByText(/with work/)).toBeTruthy();
    expect(screen.getByText(/Without a price: Sleeves\./)).toBeTruthy();
    expect(screen.getByText(/not counted: Crimper 120/)).toBeTruthy();
    expect(screen.getByText(/1\.2 fitting, 0\.3 taking out, 3\.0 isolating/)).toBeTruthy();
  });

  it('marks what is assumed, and says no sum that it does not have', () => {
    inDocument(
      <Bill list={list({ assumed: 1, lines: [line({ assumed: true })], hour: null, labour: null, total: null })} />,
    );
    expect(screen.getByText('~720.00 EUR')).toBeTruthy();
    expect(screen.getByText(/without work/)).toBeTruthy();
    expect(screen.getByText('~360')).toBeTruthy();
    expect(screen.getByText('no price for an hour')).toBeTruthy();
  });
});

describe('candidates', () => {
  const candidate = (code: string, verdict: string, more: object = {}) => ({
    code,
    name: code.toUpperCase(),
    price: 100,
    assumed: true,
    verdict,
    stopgap: null,
    musts: [{ name: 'capacity', wants: '≥ 100 Ah', has: '50 Ah', ok: verdict === 'has' }],
    ...more,
  });
  const choices = [
    {
      component: 'bank',
      label: 'Bank',
      taken: 'good',
      candidates: [candidate('good', 'has'), candidate('small', 'lacks', { stopgap: 'as a stopgap: 100 now' })],
    },
    { component: 'sw', label: 'Switch', taken: null, candidates: [candidate('a', 'lacks'), candidate('b', 'lacks')] },
  ] as TakeOff['choices'];

  it('say what they lack, what a stopgap costs, and are taken by hand', async () => {
    const take = vi.fn();
    inDocument(<Choices choices={choices} take={take} wish={() => undefined} />);
    expect(screen.getByText('none of 2 has all of it')).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: /^Bank/ }));
    expect(screen.getByText('counted')).toBeTruthy();
    const small = screen.getByText('SMALL').closest('li')!;
    expect(within(small).getByText(/✗ capacity ≥ 100 Ah \(50 Ah\)/)).toBeTruthy();
    expect(within(small).getByText(/as a stopgap: 100 now/)).toBeTruthy();
    await userEvent.click(within(small).getByRole('button', { name: 'Count this one' }));
    expect(take).toHaveBeenCalledWith('bank', 'small');
  });

  it('are only looked at where nothing may be changed', async () => {
    inDocument(<Choices choices={choices} take={null} wish={() => undefined} />);
    await userEvent.click(screen.getByRole('button', { name: /^Bank/ }));
    expect(screen.queryByRole('button', { name: 'Count this one' })).toBeNull();
  });
});

it('makes a terminal up from the plate, with its torque in both units', () => {
  inDocument(
    <Terminals
      terminals={[
        {
          terminal: 'bar.stud',
          label: 'Bar, stud',
          stud: 'M8, 5/16 in',
          torqueNm: [10, 15],
          ofMaker: false,
          lugs: [
            { size: '4/0 AWG', lead: 'a', label: 'To the unit' },
            { size: '4 AWG', lead: 'b', label: 'To the panel' },
          ],
          wrong: ['5 lugs on one stud, and at most 4 may be'],
        },
        { terminal: 'x', label: 'Unit', stud: null, torqueNm: null, ofMaker: false, lugs: [], wrong: [] },
      ]}
    />,
  );
  const lugs = screen.getAllByRole('listitem').map((li) => li.textContent);
  expect(lugs).toEqual(['4/0 AWG To the unit', '4 AWG To the panel']);
  expect(screen.getByText(/10–15 N·m/)).toBeTruthy();
  expect(screen.getByText(/7\.4–11 ft·lb general/)).toBeTruthy();
  expect(screen.getByText('5 lugs on one stud, and at most 4 may be')).toBeTruthy();
  expect(screen.getByText('by its maker')).toBeTruthy();
});
