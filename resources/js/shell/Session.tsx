import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Modal } from 'antd';
import { createContext, useContext, useEffect, useState, type ReactNode } from 'react';
import { api, ApiError, SIGNED_OUT, unwrap, type Me } from '../api/client';
import { SignInForm } from './SignIn';
import { Failed, Waiting } from '../ui/Waiting';
import { t } from '../words/t';

/** Who was signed in here last, for a tablet without a signal. */
const LAST = 'hollin.me';

const MeContext = createContext<Me | null>(null);
export const useMe = () => useContext(MeContext);

/** Knows who is signed in, or that nobody is. */
export function Session({ children }: { children: ReactNode }) {
  const me = useQuery({
    queryKey: ['me'],
    staleTime: Infinity,
    networkMode: 'always',
    retry: false,
    queryFn: async () => {
      try {
        const who = unwrap(await api.GET('/session'));
        localStorage.setItem(LAST, JSON.stringify(who));
        return who;
      } catch (e) {
        if (e instanceof ApiError && e.status === 401) {
          localStorage.removeItem(LAST);
          return null;
        }
        // Without a signal it is whoever was signed in here last; the server asks again before it takes anything.
        const last = e instanceof ApiError && e.status < 500 ? null : localStorage.getItem(LAST);
        if (last !== null) return JSON.parse(last) as Me;
        throw e;
      }
    },
  });
  if (me.isPending) return <Waiting what={t('shell.hollin')} />;
  if (me.isError) return <Failed error={me.error} again={() => void me.refetch()} />;
  return (
    <MeContext.Provider value={me.data}>
      {children}
      {me.data && <SignedOut me={me.data} />}
    </MeContext.Provider>
  );
}

/**
 * A sign-in that ended while its person was at work: signing in again happens over the place as it stands, and what is
 * held back goes then. Somebody else begins afresh.
 */
function SignedOut({ me }: { me: Me }) {
  const client = useQueryClient();
  const [out, setOut] = useState(false);
  useEffect(() => {
    const heard = () => setOut(true);
    window.addEventListener(SIGNED_OUT, heard);
    return () => window.removeEventListener(SIGNED_OUT, heard);
  }, []);
  return (
    <Modal
      open={out}
      title={t('shell.youAreSignedOut')}
      footer={null}
      closable={false}
      maskClosable={false}
      keyboard={false}
    >
      <p className="quiet">{t('shell.signInAgainAndGo', { name: me.name })}</p>
      <SignInForm
        done={(who) => {
          if (who.id !== me.id) {
            window.location.assign('/');
            return;
          }
          setOut(false);
          client.setQueryData(['me'], who);
          void client.invalidateQueries();
        }}
      />
    </Modal>
  );
}
