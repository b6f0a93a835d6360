import { useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { Modal } from 'antd';
import { createContext, useContext, useEffect, useState, type ReactNode } from 'react';
import { api, ApiError, SIGNED_OUT, unwrap, type Me } from '../api/client';
import { keepFor, leave, store, tidy } from '../build/store';
import { forgetWalls } from '../wall/useGeometry';
import { SignInForm } from './SignIn';
import { Failed, Waiting } from '../ui/Waiting';
import { t } from '../words/t';

/** Who was signed in here last, for a tablet without a signal. */
const LAST = 'hollin.me';

/** That somebody has signed out, and the server does not know yet. */
const OUT = 'hollin.out';

/** Whose small things are kept here: drawings of walls, the meter that was used last. */
const OWNER = 'hollin.owner';

/** Small things of whoever was here before: they go when somebody else comes, and when they sign out. */
function forgetOthers(own: string): void {
  if (localStorage.getItem(OWNER) === own) return;
  for (const name of Object.keys(localStorage))
    if (name.startsWith('hollin.') && !STAYS.includes(name)) localStorage.removeItem(name);
  forgetWalls();
  localStorage.setItem(OWNER, own);
}

/** What belongs to the tablet and not to anybody: its name, who is signed in, how it shows things. */
const STAYS = ['hollin.tablet', LAST, OUT, 'hollin.theme', 'hollin.units'];

/** Tells the server that whoever was here has signed out; false while it cannot be reached. */
async function signedOut(): Promise<boolean> {
  const told = await api.DELETE('/session').then(
    ({ response }) => response.ok || response.status === 401,
    () => false,
  );
  if (told) localStorage.removeItem(OUT);
  return told;
}

/** Signs out here at once, signal or none: all that is kept goes but what is not sent, which waits for its owner. */
export async function signOut(client: QueryClient): Promise<void> {
  localStorage.setItem(OUT, '1');
  localStorage.removeItem(LAST);
  forgetOthers('');
  const mine = store.name;
  client.setQueryData(['me'], null);
  client.removeQueries({ predicate: (q) => q.queryKey[0] !== 'me' });
  await leave(mine).catch(() => undefined);
  await signedOut();
}

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
      // Signed out without a signal: the server hears of it before anything else is asked of it.
      if (localStorage.getItem(OUT) !== null && !(await signedOut())) return null;
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
  const who = me.data;
  const own = who ? `${who.workshopId} ${who.id}` : '';
  // Before anything below reads what is kept here.
  keepFor(who ?? null);
  useEffect(() => {
    if (!who) return;
    // Whoever has signed in since is here; the one before is out by that.
    localStorage.removeItem(OUT);
    forgetOthers(own);
    void tidy(who).catch(() => undefined);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [own]);
  if (me.isPending) return <Waiting what={t('shell.hollin')} />;
  if (me.isLoadingError) return <Failed error={me.error} again={() => void me.refetch()} />;
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
