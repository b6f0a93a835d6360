import { Button } from 'antd';
import type { Held } from './patiently';
import { t } from '../words/t';
import './HeldBack.css';

/** Says that a change is kept here and not stored yet, and lets its person send it now or let it go. */
export function HeldBack({ held }: { held: Held }) {
  return (
    <div className="held-back" role="alert">
      <span>
        <b>{t('job.notSavedYet')}</b>
        {t('job.keptHereAndSentAgain', { why: held.why })}
      </span>
      <Button size="small" onClick={held.now}>
        {t('job.sendNow')}
      </Button>
      <Button size="small" type="text" onClick={held.drop}>
        {t('job.dropTheChange')}
      </Button>
    </div>
  );
}
