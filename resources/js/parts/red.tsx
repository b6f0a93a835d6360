import { createContext, useCallback, useContext, useEffect, useId, useState, type ReactNode } from 'react';

type Tell = (field: string, red: boolean) => void;

const RedContext = createContext<Tell>(() => undefined);

/** Which fields hold something that cannot be taken: nothing is kept while one does. */
export function useReds(): { any: boolean; tell: Tell } {
  const [reds, setReds] = useState<ReadonlySet<string>>(new Set());
  const tell = useCallback<Tell>(
    (field, red) =>
      setReds((was) => {
        if (was.has(field) === red) return was;
        const now = new Set(was);
        if (red) now.add(field);
        else now.delete(field);
        return now;
      }),
    [],
  );
  return { any: reds.size > 0, tell };
}

/** The form that the fields inside belong to. */
export function Reds({ tell, children }: { tell: Tell; children: ReactNode }) {
  return <RedContext.Provider value={tell}>{children}</RedContext.Provider>;
}

/** Tells the form around that this field is red, for as long as it is. */
export function useRed(red: boolean): void {
  const id = useId();
  const tell = useContext(RedContext);
  useEffect(() => {
    tell(id, red);
    return () => tell(id, false);
  }, [tell, id, red]);
}
