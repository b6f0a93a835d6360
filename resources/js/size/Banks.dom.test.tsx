// @vitest-environment jsdom
import { cleanup, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { Rulers } from '../api/client';
import { inDocument } from '../testing-dom';
import { Banks } from './Banks';
import { RatedParts } from './RatedParts';

afterEach(cleanup);

const bank = (more: object): Rulers['banks'] =>
  [
    {
      unit: 'inv',
      label: 'Inverter',
      amps: 200,
      batteries: [
        {
          id: 'bank',
          label: 'Bank',
          ah: 400,
          amps: 200,
          equalA: 200,
          limitA: 240,
          units: 4,
          unitLimitA: 60,
          oneEnd: [69.5, 52.1, 41.6, 36.7],
          across: [53.1, 46.9, 46.9, 53.1],
          takenOff: 'one_end',
          assumed: false,
          ...more,
        },
      ],
    },
  ] as Rulers['banks'];

it('draws each battery with its amps by how the bank is taken off, and says how it is', () => {
  inDocument(<Banks banks={bank({})} />);
  for (const amps of ['69.5 A', '52.1 A', '41.6 A', '36.7 A']) expect(screen.getByText(amps)).toBeTruthy();
  expect(screen.getByText(/As it is: Bank taken off at one end/)).toBeTruthy();
  expect(screen.getByText('one gives 1.39 times its share')).toBeTruthy();
  expect(screen.getByText('nearly alike')).toBeTruthy();
  // The first is past what its management lets through; across none is.
  expect(document.querySelectorAll('.is-over')).toHaveLength(1);
});

it('marks amps that rest on an assumed resistance', () => {
  inDocument(<Banks banks={bank({ assumed: true })} />);
  expect(screen.getByText('~69.5 A')).toBeTruthy();
});

it('folds what has room, and opens a part where it stands', async () => {
  const open = vi.fn();
  const part = (id: string, used: number, trouble: string[] = []) => ({
    id,
    component: id,
    label: id,
    kind: 'part' as const,
    carriesA: 100 * used,
    carriesWhy: 'at night',
    ratedA: 100,
    bySectionA: null,
    ohm: 0.0001,
    heatW: 0,
    used,
    trouble,
  });
  inDocument(
    <RatedParts parts={[part('Switch', 1.2, ['carries 120 A, and is rated 100 A']), part('Bar', 0.2)]} open={open} />,
  );
  expect(screen.getByText('carries 120 A, and is rated 100 A')).toBeTruthy();
  expect(screen.queryByText('Bar')).toBeNull();
  await userEvent.click(screen.getByText('1 more with room'));
  await userEvent.click(screen.getByRole('button', { name: 'Bar' }));
  expect(open).toHaveBeenCalledWith('Bar');
});
