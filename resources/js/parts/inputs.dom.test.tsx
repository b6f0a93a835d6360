// @vitest-environment jsdom
import { cleanup, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import { inDocument } from '../testing-dom';
import { LengthInput } from './inputs';

afterEach(cleanup);

it('hands on what is a length, and tells what is none', async () => {
  const user = userEvent.setup();
  const [set, unread] = [vi.fn(), vi.fn()];
  inDocument(<LengthInput label="Run" value={undefined} entered={undefined} set={set} unread={unread} />);
  const input = screen.getByLabelText('Run');
  await user.type(input, 'purple');
  expect(set).not.toHaveBeenCalled();
  expect(unread).toHaveBeenLastCalledWith('purple');
  expect(screen.getByText(/Write a number and its unit/)).toBeTruthy();
  await user.clear(input);
  expect(set).toHaveBeenLastCalledWith(undefined);
  await user.type(input, '4 ft');
  expect(set.mock.lastCall?.[0]).toBeCloseTo(1.2192, 1);
});
