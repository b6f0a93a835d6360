// @vitest-environment jsdom
import { cleanup, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Component } from '../api/client';
import type { DesignHold } from '../job/useDesign';
import { inDocument, reference } from '../testing-dom';
import { Cell } from './Cell';
import { SurveyContext } from './context';
import { shownAt } from './survey';

afterEach(cleanup);

const air = {
  type: 'circuit',
  label: 'Air conditioner',
  breakerA: { value: 20, basis: 'assumed' },
  cable: { size: { value: 'awg:12', basis: 'assumed' }, lengthM: { value: 5, basis: 'assumed' } },
  gfci: 'none',
} as unknown as Component;

function cell(path: string, told = false) {
  const edit = vi.fn<(intent: unknown) => Promise<boolean>>(() => Promise.resolve(true));
  inDocument(
    <SurveyContext.Provider value={{ hold: { edit } as unknown as DesignHold, told, by: 'Robin' }}>
      <Cell
        component="c_air"
        label="Air conditioner"
        shown={shownAt(reference.forms.circuit!.fields, air, path)!}
        name={(id) => id}
      />
    </SurveyContext.Provider>,
  );
  return { edit, user: userEvent.setup() };
}

describe('a value in a table', () => {
  it('is confirmed by one press, a length as measured', async () => {
    const { edit, user } = cell('/cable/lengthM');
    await user.click(screen.getByRole('button', { name: /as shown, measured/ }));
    expect(edit).toHaveBeenCalledExactlyOnceWith(
      expect.objectContaining({
        kind: 'survey_confirm',
        basis: 'measured',
        by: 'Robin',
        values: [{ component: 'c_air', path: '/cable/lengthM' }],
      }),
    );
  });

  it('is changed where it stands, with its unit as typed', async () => {
    const { edit, user } = cell('/cable/lengthM');
    await user.click(screen.getByRole('button', { name: '~16 ft' }));
    const field = screen.getByRole('textbox', { name: 'Length, one way' });
    await user.clear(field);
    await user.type(field, '11 ft{Enter}');
    expect(edit).toHaveBeenCalledExactlyOnceWith(
      expect.objectContaining({
        kind: 'survey_set',
        path: '/cable/lengthM',
        value: expect.objectContaining({ value: 3.353, entered: '11 ft', basis: 'measured', by: 'Robin' }) as unknown,
      }),
    );
  });

  it('is known as told where one was told, and left alone by Escape', async () => {
    const { edit, user } = cell('/breakerA', true);
    await user.click(screen.getByRole('button', { name: '~20 A' }));
    await user.keyboard('{Escape}');
    expect(edit).not.toHaveBeenCalled();
    await user.click(screen.getByRole('button', { name: '~20 A' }));
    const field = screen.getByRole('textbox');
    await user.clear(field);
    await user.type(field, '15');
    await user.click(screen.getByRole('button', { name: 'Done' }));
    expect(edit).toHaveBeenCalledExactlyOnceWith(
      expect.objectContaining({ value: expect.objectContaining({ value: 15, basis: 'told' }) as unknown }),
    );
  });
});
