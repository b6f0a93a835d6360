import { Segmented } from 'antd';
import { useSearchParams } from 'react-router';
import { TopBar } from '../shell/TopBar';
import { useMe } from '../shell/Session';
import { AuditLog } from './AuditLog';
import { Customers } from './Customers';
import { Hours } from './Hours';
import { Prices } from './Prices';
import { Roster } from './Roster';
import { t } from '../words/t';
import './WorkshopPlace.css';

const PARTS = { prices: Prices, hours: Hours, people: Roster, customers: Customers, log: AuditLog };
const WORDS: Record<keyof typeof PARTS, string> = {
  prices: t('workshop.partsAndPrices'),
  hours: t('workshop.hoursTitle'),
  people: t('workshop.people2'),
  customers: t('workshop.customers2'),
  log: t('workshop.whoDidWhat'),
};

/** The workshop: parts and prices for all; for its leads who is here, whose rigs came in, what was done with rights. */
export default function WorkshopPlace() {
  const me = useMe();
  const [params, setParams] = useSearchParams();
  const lead = me?.role === 'lead';
  const asked = params.get('part') ?? '';
  const part = !lead ? 'prices' : asked in PARTS ? (asked as keyof typeof PARTS) : 'people';
  const Part = PARTS[part];
  return (
    <>
      <TopBar title={me?.workshop} />
      <main className="page">
        {lead && (
          <Segmented
            className="workshop-parts"
            aria-label={t('workshop.partOfTheWorkshop')}
            value={part}
            options={Object.entries(WORDS).map(([value, label]) => ({ value, label }))}
            onChange={(value) => setParams(value === 'people' ? {} : { part: String(value) })}
          />
        )}
        <Part />
      </main>
    </>
  );
}
