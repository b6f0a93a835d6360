// @vitest-environment jsdom
import { cleanup, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { DesignHold } from '../job/useDesign';
import { demo, inDocument, reference } from '../testing-dom';
import { AdditionForm } from './AdditionForm';

afterEach(cleanup);

/** The form for an addition on the demo rig's plan, and what it sends. */
function form(recipe: string, additions: Record<string, object> = {}) {
  const document = demo();
  const plan = Object.keys(document.plans)[0]!;
  document.plans[plan]!.additions = additions as never;
  const edit = vi.fn((intent: unknown) => Promise.resolve(intent !== null));
  inDocument(
    <AdditionForm
      hold={{ design: { document }, edit, saving: false } as unknown as DesignHold}
      plan={plan}
      close={() => undefined}
      open={() => undefined}
      reference={reference}
      arrangement={reference.arrangements.find((a) => a.id === recipe)!}
    />,
  );
  return { edit, plan };
}

it('puts the schools side by side, with what speaks for each, and sends the one chosen', async () => {
  const { edit, plan } = form('charge_engine');
  expect(screen.getByText(/DC-DC charger: own limit/)).toBeTruthy();
  await userEvent.click(screen.getByText(/relay: cheap and strong/));
  await userEvent.click(screen.getByRole('button', { name: 'Plan it' }));
  await vi.waitFor(() => expect(edit).toHaveBeenCalled());
  expect(edit.mock.calls[0]![0]).toEqual({
    kind: 'choose_arrangement',
    plan,
    recipe: 'charge_engine',
    options: { school: 'relay', protection: 'fuse' },
  });
});

it('asks which circuit a charger is plugged into before it plans one', async () => {
  const { edit } = form('charge_shore');
  await userEvent.click(screen.getByRole('button', { name: 'Plan it' }));
  await screen.findByText('Say which circuit.');
  expect(edit).not.toHaveBeenCalled();
});

it('begins with what the plan has, and takes it out again', async () => {
  const { edit } = form('charge_sun', { charge_sun: { school: 'each', strings: 3 } });
  expect(screen.getByDisplayValue('3')).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Take it out of this plan' }));
  await vi.waitFor(() => expect(edit).toHaveBeenCalled());
  expect(edit.mock.calls[0]![0]).toMatchObject({ recipe: 'charge_sun', drop: true });
});
