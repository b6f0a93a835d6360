import { useEffect, useReducer } from 'react';
import { useSearchParams } from 'react-router';
import { fromAddress, planReducer, toAddress, type PlanAction, type PlanState } from './planState';

/** What is looked at in a plan, kept in the address. */
export function usePlanState(): [PlanState, (action: PlanAction) => void] {
  const [address, setAddress] = useSearchParams();
  const [state, dispatch] = useReducer(planReducer, address, fromAddress);
  useEffect(() => {
    // As it is by now: another part of it may have been written since this was drawn.
    const now = new URLSearchParams(window.location.search);
    const next = toAddress(state, now);
    if (next.toString() !== now.toString()) setAddress(next, { replace: true });
  }, [state, setAddress]);
  return [state, dispatch];
}
