import { Button, Modal } from 'antd';
import type { DesignHold } from './useDesign';

const shown = (value: unknown) => (value === null || value === undefined ? 'taken out' : JSON.stringify(value, null, 1));

/** Somebody changed the same place: both values stand here, theirs is what is stored. */
export function ConflictDialog({ hold }: { hold: DesignHold }) {
  const conflict = hold.conflict;
  return (
    <Modal
      open={conflict !== null}
      title="Somebody changed the same place"
      onCancel={hold.dismissConflict}
      footer={
        <>
          <Button onClick={() => void hold.insist()}>Use mine instead</Button>
          <Button type="primary" onClick={hold.dismissConflict}>
            Keep theirs
          </Button>
        </>
      }
    >
      <p>{conflict?.message}</p>
      <p>
        Your change is not stored yet, and theirs was not overwritten. Both stand here; nothing is lost whichever you take, and the history
        keeps the other.
      </p>
      <ul className="conflicts">
        {conflict?.conflicts.map((c) => (
          <li key={c.pointer}>
            <b>{c.pointer.split('/').slice(-2).join(' ')}</b>
            <div className="conflict-pair">
              <div>
                <span className="quiet">yours</span>
                <pre>{shown(c.yours)}</pre>
              </div>
              <div>
                <span className="quiet">{c.by}</span>
                <pre>{shown(c.theirs)}</pre>
              </div>
            </div>
          </li>
        ))}
      </ul>
    </Modal>
  );
}
