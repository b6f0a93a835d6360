import { Button, Spin } from 'antd';
import { t } from '../words/t';
import './Waiting.css';

export function Waiting({ what }: { what: string }) {
  return (
    <div className="waiting" role="status">
      <Spin /> <span>{t('ui.fetching', { what })}</span>
    </div>
  );
}

export function Failed({ error, again }: { error: Error; again: () => void }) {
  return (
    <div className="waiting" role="alert">
      <p>
        <strong>{t('ui.thatDidNotWork')}</strong> {t('ui.nothingWasLost', { message: error.message })}
      </p>
      <Button onClick={again}>{t('ui.tryAgain')}</Button>
    </div>
  );
}
