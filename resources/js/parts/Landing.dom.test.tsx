// @vitest-environment jsdom
import { cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import type { Component } from '../api/client';
import { demo, inDocument, reference } from '../testing-dom';
import { PartsContext } from './context';
import type { Values } from './Fields';
import { Landing } from './Landing';

afterEach(cleanup);

const document = demo();
const components = document.asFound.components as Record<string, Component>;
const fields = reference.forms.circuit!.fields;

function Shown({ self, tell }: { self: string; tell: (v: Values) => void }) {
  const [values, set] = useState<Values>(components[self] as Values);
  return (
    <PartsContext.Provider value={{ components, forms: reference.forms, self }}>
      <Landing
        fields={fields}
        values={values}
        change={(v) => {
          set(v);
          tell(v);
        }}
      />
    </PartsContext.Provider>
  );
}

const open = (self: string) => {
  let last: Values = components[self] as Values;
  inDocument(<Shown self={self} tell={(v) => (last = v)} />);
  return { user: userEvent.setup(), last: () => last };
};

describe('where a circuit lands', () => {
  it('shows the slots as they stand, and lets one tap a free one', async () => {
    const spare = structuredClone(components);
    const panel = Object.entries(spare).find(([, c]) => c.type === 'panel')![0];
    const taken = Object.values(spare).filter(
      (c) => c.type === 'circuit' && (c.hot as { panel?: string }).panel === panel,
    );
    open(Object.entries(components).find(([, c]) => c === components.c_air)![0]);
    const slots = screen.getByRole('list', { name: /Slots of/ });
    expect(within(slots).getByRole<HTMLButtonElement>('button', { name: 'Slot 1: main breaker' }).disabled).toBe(true);
    for (const c of taken.filter((t) => t.label !== components.c_air!.label))
      expect(slots.textContent).toContain(c.label);
    expect(
      within(slots)
        .getByRole('button', { name: /this circuit/ })
        .getAttribute('aria-pressed'),
    ).toBe('true');
  });

  it('takes the neutral along, and leaves it where it was only when it is said to be apart', async () => {
    const { user, last } = open('c_air');
    await user.click(screen.getByRole('radio', { name: 'on equipment' }));
    expect(last().hot).toEqual(last().neutral);
    expect((last().hot as { panel?: string }).panel).toBeUndefined();
    await user.click(screen.getByRole('radio', { name: 'on a breaker' }));
    expect((last().neutral as { panel: string }).panel).toBe((last().hot as { panel: string }).panel);
    await user.click(screen.getByRole('radio', { name: 'apart from it' }));
    expect(last().neutral).not.toEqual(expect.objectContaining({ panel: (last().hot as { panel: string }).panel }));
    await user.click(screen.getByRole('radio', { name: 'with its hot' }));
    expect((last().neutral as { panel: string }).panel).toBe((last().hot as { panel: string }).panel);
  });
});
