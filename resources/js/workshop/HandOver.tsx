import { App, Button } from 'antd';
import type { MadeLink } from '../api/client';
import { moment } from '../ui/times';
import { t } from '../words/t';
import './HandOver.css';

/** A link that was just made: told this once, handed over by hand. */
export function HandOver({ made, done }: { made: MadeLink; done: () => void }) {
  const { message } = App.useApp();
  const address = window.location.origin + made.address;
  const copy = async () => {
    try {
      // Only where the browser trusts the connection; elsewhere the text is selected by hand.
      await navigator.clipboard.writeText(address);
      void message.success(t('workshop.copied'));
    } catch {
      void message.info(t('workshop.selectItAndCopyIt'));
    }
  };
  return (
    <section className="hand-over" role="status" aria-label={t('workshop.linkFor', { for: made.link.for })}>
      <p>
        <b>
          {made.link.renews
            ? t('workshop.withThisSetsANew', { for: made.link.for })
            : t('workshop.withThisJoinsAs', { for: made.link.for, roleLabel: made.link.roleLabel?.toLowerCase() })}
        </b>
        {t('workshop.onceUntilHandItOver', { until: moment(made.link.until) })}
      </p>
      <code>{address}</code>
      <div>
        <Button type="primary" onClick={() => void copy()}>
          {t('workshop.copy')}
        </Button>
        <Button type="text" onClick={done}>
          {t('workshop.done')}
        </Button>
      </div>
    </section>
  );
}
