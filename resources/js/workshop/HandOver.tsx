import { App, Button } from 'antd';
import type { MadeLink } from '../api/client';
import { moment } from '../ui/times';
import './HandOver.css';

/** A link that was just made: told this once, handed over by hand. */
export function HandOver({ made, done }: { made: MadeLink; done: () => void }) {
  const { message } = App.useApp();
  const address = window.location.origin + made.address;
  const copy = async () => {
    try {
      // Only where the browser trusts the connection; elsewhere the text is selected by hand.
      await navigator.clipboard.writeText(address);
      void message.success('Copied.');
    } catch {
      void message.info('Select it and copy it by hand.');
    }
  };
  return (
    <section className="hand-over" role="status" aria-label={`Link for ${made.link.for}`}>
      <p>
        <b>
          {made.link.renews
            ? `With this ${made.link.for} sets a new password`
            : `With this ${made.link.for} joins as ${made.link.roleLabel?.toLowerCase()}`}
        </b>
        , once, until {moment(made.link.until)}. Hand it over yourself: whoever has it gets in. It is not shown again.
      </p>
      <code>{address}</code>
      <div>
        <Button type="primary" onClick={() => void copy()}>
          Copy
        </Button>
        <Button type="text" onClick={done}>
          Done
        </Button>
      </div>
    </section>
  );
}
