import { useQuery } from '@tanstack/react-query';
import { createContext, useContext, type ReactNode } from 'react';
import { api, ApiError, unwrap, type Me } from '../api/client';
import { Failed, Waiting } from '../ui/Waiting';

const MeContext = createContext<Me | null>(null);
export const useMe = () => useContext(MeContext);

/** Knows who is signed in, or that nobody is. */
export function Session({ children }: { children: ReactNode }) {
  const me = useQuery({
    queryKey: ['me'],
    staleTime: Infinity,
    queryFn: async () => {
      try {
        return unwrap(await api.GET('/session'));
      } catch (e) {
        if (e instanceof ApiError && e.status === 401) return null;
        throw e;
      }
    },
  });
  if (me.isPending) return <Waiting what="Hollin" />;
  if (me.isError) return <Failed error={me.error} again={() => void me.refetch()} />;
  return <MeContext.Provider value={me.data}>{children}</MeContext.Provider>;
}
