import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { App as AntApp, ConfigProvider } from 'antd';
import { lazy, Suspense, useState } from 'react';
import { BrowserRouter, Navigate, Route, Routes, useLocation } from 'react-router';
import { ApiError } from '../api/client';
import { Waiting } from '../ui/Waiting';
import { PrefsContext, useTheme } from './prefs';
import { Join } from './Join';
import { Session, useMe } from './Session';
import { SetUp } from './SetUp';
import { SignIn } from './SignIn';
import { UnitsContext, useUnitsPref } from './units';
import { CloseSign, OpenSign } from '../ui/Signs';
import { antTheme } from './theme';
import { t } from '../words/t';

const JobsPlace = lazy(() => import('../jobs/JobsPlace'));
const CustomerPlace = lazy(() => import('../jobs/CustomerPlace'));
const RigPlace = lazy(() => import('../jobs/RigPlace'));
const JobPlace = lazy(() => import('../job/JobPlace'));
const AtRig = lazy(() => import('../build/AtRig'));
const LabelPrint = lazy(() => import('../build/LabelPrint'));
const SheetPlace = lazy(() => import('../sheet/SheetPlace'));
const TokensPlace = lazy(() => import('../account/TokensPlace'));
const AccountPlace = lazy(() => import('../account/AccountPlace'));
const WorkshopPlace = lazy(() => import('../workshop/WorkshopPlace'));
const ReferencePlace = lazy(() => import('../shell/ReferencePlace'));

function newClient(): QueryClient {
  return new QueryClient({
    defaultOptions: {
      queries: {
        staleTime: 30_000,
        refetchOnWindowFocus: false,
        retry: (count, error) => !(error instanceof ApiError && error.status < 500) && count < 3,
      },
    },
  });
}

export function App({ nonce }: { nonce: string }) {
  const [client] = useState(newClient);
  const prefs = useTheme();
  const units = useUnitsPref();
  return (
    <PrefsContext.Provider value={prefs}>
      <UnitsContext.Provider value={units}>
        <ConfigProvider
          csp={{ nonce }}
          theme={antTheme(prefs.theme === 'dark')}
          button={{ autoInsertSpace: false }}
          wave={{ disabled: true }}
          modal={{ closeIcon: <CloseSign /> }}
          drawer={{ closeIcon: <CloseSign /> }}
          select={{ suffixIcon: <OpenSign /> }}
        >
          <AntApp>
            <QueryClientProvider client={client}>
              <BrowserRouter>
                <Session>
                  <Places />
                </Session>
              </BrowserRouter>
            </QueryClientProvider>
          </AntApp>
        </ConfigProvider>
      </UnitsContext.Provider>
    </PrefsContext.Provider>
  );
}

function Places() {
  const me = useMe();
  const { pathname } = useLocation();
  const token = /^\/set-up\/([A-Za-z0-9]{48})$/.exec(pathname)?.[1];
  if (token) return <SetUp token={token} />;
  if (pathname === '/join') return <Join />;
  if (!me) return <SignIn />;
  return (
    <Suspense fallback={<Waiting what={t('shell.thisPlace')} />}>
      <Routes>
        <Route path="/" element={<JobsPlace />} />
        <Route path="/customers/:id" element={<CustomerPlace />} />
        <Route path="/rigs/:id" element={<RigPlace />} />
        <Route path="/account" element={<AccountPlace />} />
        <Route path="/workshop" element={<WorkshopPlace />} />
        <Route path="/tokens" element={<TokensPlace />} />
        <Route path="/reference" element={<ReferencePlace />} />
        <Route path="/rig/:id" element={<AtRig />} />
        <Route path="/jobs/:id/label-sheets" element={<LabelPrint />} />
        <Route path="/jobs/:id/sheet" element={<SheetPlace />} />
        <Route path="/jobs/:id" element={<Navigate to="plan" replace />} />
        <Route path="/jobs/:id/:place" element={<JobPlace />} />
        <Route path="*" element={<Navigate to="/" replace />} />
      </Routes>
    </Suspense>
  );
}
