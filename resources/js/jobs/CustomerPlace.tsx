import { Button } from 'antd';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { useMe } from '../shell/Session';
import { TopBar } from '../shell/TopBar';
import { JobList } from './JobList';
import { OpenJob } from './OpenJob';
import { t } from '../words/t';

/** A customer, and the rigs that came in. */
export default function CustomerPlace() {
  const me = useMe();
  const { id = '' } = useParams();
  const [opening, setOpening] = useState(false);
  const [name, setName] = useState<string | null>(null);
  return (
    <>
      <TopBar title={me?.workshop} />
      <main className="page">
        <p>
          <Link to="/">{t('jobs.onTheFloor')}</Link>
        </p>
        <div className="page-head">
          <h1>{name ?? t('jobs.customer')}</h1>
          {me?.role !== 'apprentice' && name && (
            <Button type="primary" onClick={() => setOpening(true)}>
              {t('jobs.newJobForThem')}
            </Button>
          )}
        </div>
        <JobList customer={Number(id)} named={setName} />
      </main>
      <OpenJob open={opening} close={() => setOpening(false)} customer={name ?? undefined} />
    </>
  );
}
