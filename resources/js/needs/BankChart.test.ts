import { expect, it } from 'vitest';
import { powerLines } from './BankChart';

it('sums what comes in, and puts the sun that nothing takes on top', () => {
  const [comes, could, use] = powerLines({
    inW: { sun: [100, 200], shore: [0, 50], engine: [20] },
    useW: [80, 90],
    curtailedW: [0, 30],
  });
  expect(comes!.values).toEqual([120, 250]);
  expect(could!.values).toEqual([120, 280]);
  expect(use!.values).toEqual([80, 90]);
});
