import { Segmented } from 'antd';
import { useSearchParams } from 'react-router';
import { TopBar } from '../shell/TopBar';
import { useMe } from '../shell/Session';
import { AuditLog } from './AuditLog';
import { Customers } from './Customers';
import { Roster } from './Roster';
import { t } from '../words/t';
import './WorkshopPlace.css';

const PARTS = { people: Roster, customers: Customers, log: AuditLog };
const WORDS: Record<keyof typeof PARTS, string> = {
  people: t('workshop.people2'),
  customers: t('workshop.customers2'),
  log: t('workshop.whoDidWhat'),
};

/** The workshop itself, for its lead technicians: who is here, whose rigs came in, what was done with rights. */
export default function WorkshopPlace() {
  const me = useMe();
  const [params, setParams] = useSearchParams();
  const asked = params.get('part');
  const part = asked === 'customers' || asked === 'log' ? asked : 'people';
  const Part = PARTS[part];
  return (
    <>
      <TopBar title={me?.workshop} />
      <main className="page">
        {me?.role === 'lead' ? (
          <>
            <Segmented
              className="workshop-parts"
              aria-label={t('workshop.partOfTheWorkshop')}
              value={part}
              options={Object.entries(WORDS).map(([value, label]) => ({ value, label }))}
              onChange={(value) => setParams(value === 'people' ? {} : { part: String(value) })}
            />
            <Part />
          </>
        ) : (
          <p className="empty">{t('workshop.aLeadTechnicianManagesThe')}</p>
        )}
      </main>
    </>
  );
}
