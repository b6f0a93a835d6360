import { Button } from 'antd';
import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';
import type { components } from '../api/schema';
import { t } from '../words/t';
import './Offers.css';

export type Offer = components['schemas']['Offer'];

interface ListProps {
  offers: Offer[];
  busy: boolean;
  take: (offer: Offer) => void;
}

const RESULT = { clears: '', lessens: t('plan.makesItLessSevere'), eases: t('plan.easesIt') };

/** What helps, best first, with what it costs and what else it does. */
export function OfferList({ offers, busy, take }: ListProps) {
  if (offers.length === 0) {
    return <p className="quiet">{t('plan.nothingThatHollinCanDo')}</p>;
  }
  return (
    <>
      {offers.map((o, i) => {
        const own = o.brings.filter((b) => !b.outside).map((b) => b.title.toLowerCase());
        const outside = o.brings.filter((b) => b.outside).map((b) => b.title.toLowerCase());
        return (
          <Button
            key={o.label}
            block
            type={i === 0 ? 'primary' : 'default'}
            className="remedy"
            disabled={busy}
            onClick={() => take(o)}
          >
            <span>
              {o.label}
              <small>{[RESULT[o.result], o.effect, o.workWords].filter(Boolean).join(' · ')}</small>
              {o.clears.length > 0 && (
                <small>{t('plan.alsoClears', { clears: o.clears.map((c) => c.toLowerCase()).join(', ') })}</small>
              )}
              {own.length > 0 && <small className="brings">{t('plan.thenToSeeTo', { own: own.join(', ') })}</small>}
              {outside.length > 0 && (
                <small className="brings">{t('plan.atAFaultyPedestal', { outside: outside.join(', ') })}</small>
              )}
            </span>
          </Button>
        );
      })}
    </>
  );
}

interface Props {
  job: number;
  revision: number;
  view: string;
  finding: string;
  busy: boolean;
  take: (offer: Offer) => void;
}

/** Asks for what helps against a finding: each way is tried on the plan first, which takes a moment. */
export function Offers({ job, revision, view, finding, busy, take }: Props) {
  const offers = useQuery({
    queryKey: ['remedies', job, revision, view, finding],
    retry: false,
    queryFn: async () =>
      unwrap(await api.GET('/jobs/{job}/remedies', { params: { path: { job }, query: { view, finding, revision } } })),
  });
  if (offers.isError)
    return <p className="quiet">{t('plan.couldNotTryWhatHelps', { message: offers.error.message })}</p>;
  if (!offers.data)
    return (
      <p className="quiet" role="status">
        {t('plan.tryingWhatHelps')}
      </p>
    );
  return <OfferList offers={offers.data} busy={busy} take={take} />;
}
