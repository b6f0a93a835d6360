import { Button } from 'antd';
import { useState } from 'react';
import { useMe } from '../shell/Session';
import { TopBar } from '../shell/TopBar';
import { FloorDays } from './FloorDays';
import { JobList } from './JobList';
import { OpenJob } from './OpenJob';
import { t } from '../words/t';

/** What is on the floor: what blocks each job, its next action, who is on it. */
export default function JobsPlace() {
  const me = useMe();
  const [opening, setOpening] = useState(false);
  return (
    <>
      <TopBar title={me?.workshop} />
      <main className="page">
        <div className="page-head">
          <h1>{t('jobs.onTheFloor2')}</h1>
          {me?.role !== 'apprentice' && (
            <Button type="primary" onClick={() => setOpening(true)}>
              {t('jobs.newJob')}
            </Button>
          )}
        </div>
        <FloorDays />
        <JobList />
      </main>
      <OpenJob open={opening} close={() => setOpening(false)} />
    </>
  );
}
