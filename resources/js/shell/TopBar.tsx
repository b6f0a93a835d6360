import { useQueryClient } from '@tanstack/react-query';
import { Button, Dropdown } from 'antd';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Leaf } from '../ui/Leaf';
import { usePrefs } from './prefs';
import { signOut, useMe } from './Session';
import { useUnits } from './units';
import { t } from '../words/t';
import './TopBar.css';

/** The green bar: where one is, the places of a job, who is signed in. */
export function TopBar({ title, children, right }: { title?: ReactNode; children?: ReactNode; right?: ReactNode }) {
  const me = useMe();
  const { theme, setTheme } = usePrefs();
  const units = useUnits();
  const client = useQueryClient();
  return (
    <header className="topbar">
      <Link to="/" className="brand" aria-label={t('shell.hollinAllJobs')}>
        <Leaf /> <span className="brand-word">{t('shell.hollin')}</span>
      </Link>
      <div className="topbar-title">{title}</div>
      <nav className="places" aria-label={t('shell.placesOfTheJob')}>
        {children}
      </nav>
      {/* A place puts here in which forms it shows its job. */}
      <div className="place-forms" id="place-forms" />
      <div className="topbar-right">
        {right}
        <Dropdown
          trigger={['click']}
          menu={{
            items: [
              { key: 'who', label: `${me?.name}, ${me?.roleLabel.toLowerCase()} · ${me?.workshop}`, disabled: true },
              { type: 'divider' },
              {
                key: 'theme',
                label: theme === 'dark' ? t('shell.brightTheme') : t('shell.darkTheme'),
                onClick: () => setTheme(theme === 'dark' ? 'light' : 'dark'),
              },
              {
                key: 'units',
                label: units.system === 'trade' ? t('shell.showMMmKgC') : t('shell.showFtAwgLbF'),
                onClick: () => units.setSystem(units.system === 'trade' ? 'metric' : 'trade'),
              },
              { key: 'account', label: <Link to="/account">{t('shell.yourPasswordAndSignIns')}</Link> },
              ...(me?.role === 'lead'
                ? [{ key: 'workshop', label: <Link to="/workshop">{t('shell.peopleCustomersLog')}</Link> }]
                : [{ key: 'workshop', label: <Link to="/workshop">{t('shell.partsAndPrices')}</Link> }]),
              { key: 'tokens', label: <Link to="/tokens">{t('shell.tokensForOtherPrograms')}</Link> },
              { key: 'reference', label: <Link to="/reference">{t('shell.rulesAndTables2')}</Link> },
              { key: 'out', label: t('shell.signOut'), onClick: () => void signOut(client) },
            ],
          }}
        >
          <Button type="text" className="who" aria-label={t('shell.accountThemeReferenceSignOut', { name: me?.name })}>
            {me?.name
              .split(' ')
              .map((w) => w[0])
              .join('')}
          </Button>
        </Dropdown>
      </div>
    </header>
  );
}
