import { useCallback, useEffect, useReducer } from 'react';
import { useSearchParams } from 'react-router';
import { fromAddress, planReducer, toAddress, type PlanAction, type PlanState } from './planState';

/** What is looked at in a plan, kept in the address. */
export function usePlanState(): [PlanState, (action: PlanAction) => void] {
  const [address, setAddress] = useSearchParams();
  const [state, dispatch] = useReducer(planReducer, address, fromAddress);
  useEffect(() => {
    setAddress(
      (now) => {
        const next = toAddress(state, now);
        return next.toString() === now.toString() ? now : next;
      },
      { replace: true },
    );
  }, [state, setAddress]);
  return [state, useCallback((action: PlanAction) => dispatch(action), [])];
}
