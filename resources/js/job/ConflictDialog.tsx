import { useQuery } from '@tanstack/react-query';
import { Button, Modal } from 'antd';
import type { Conflict, Reference } from '../api/client';
import { useUnits, type Units } from '../shell/units';
import { placeOf, valueWords } from '../ui/spoken';
import { referenceQuery, type DesignHold } from './useDesign';
import { t } from '../words/t';
import './ConflictDialog.css';

type Conflicts = Conflict['conflicts'];

/** The places that really differ; who said a value and when goes with the value. */
export function conflictPlaces(conflicts: Conflicts): Conflicts {
  const place = (c: Conflicts[number]) => `${c.component ?? ''}${c.path}`;
  const values = new Set(conflicts.filter((c) => c.isValue).map(place));
  return conflicts.filter(
    (c) => JSON.stringify(c.yours) !== JSON.stringify(c.theirs) && (c.isValue || !values.has(place(c))),
  );
}

/** The place two people changed, and both values, as they would be said at the rig. */
export function conflictWords(
  conflict: Conflicts[number],
  components: Record<string, { type: string; label: string }>,
  forms: Reference['forms'] | undefined,
  units: Units,
): { where: string; say: (value: unknown) => string } {
  const { component, path, isValue } = conflict;
  const part = component ? components[component] : undefined;
  const name = (other: string) => components[other]?.label ?? other;
  const orGone = (say: (value: unknown) => string) => (value: unknown) =>
    value === null || value === undefined ? t('job.takenOut') : say(value);
  if (!part || path === '') {
    return { where: part?.label ?? path, say: orGone((value) => JSON.stringify(value, null, 1)) };
  }
  const at = placeOf(forms, part.type, path);
  if (!isValue) return { where: t('job.howItIsKnown', { label: part.label, words: at.words }), say: orGone(String) };
  return {
    where: `${part.label}: ${at.words}`,
    say: orGone((value) => valueWords(at.field, value, units, name)),
  };
}

/** Somebody changed the same place: both values stand here, theirs is what is stored. */
export function ConflictDialog({ hold }: { hold: DesignHold }) {
  const conflict = hold.conflict;
  const forms = useQuery(referenceQuery).data?.forms;
  const units = useUnits();
  return (
    <Modal
      open={conflict !== null}
      title={t('job.somebodyChangedTheSamePlace')}
      onCancel={hold.dismissConflict}
      footer={
        <>
          <Button onClick={() => void hold.insist()}>{t('job.useMineInstead')}</Button>
          <Button type="primary" onClick={hold.dismissConflict}>
            {t('job.keepTheirs')}
          </Button>
        </>
      }
    >
      <p>{conflict?.message}</p>
      <p>{t('job.yourChangeIsNotStored')}</p>
      <ul className="conflicts">
        {conflictPlaces(conflict?.conflicts ?? []).map((c) => {
          const words = conflictWords(c, hold.design.document.asFound.components, forms, units);
          return (
            <li key={c.pointer}>
              <b>{words.where}</b>
              <div className="conflict-pair">
                <div>
                  <span className="quiet">{t('job.yours')}</span>
                  <pre>{words.say(c.yours)}</pre>
                </div>
                <div>
                  <span className="quiet">{c.who}</span>
                  <pre>{words.say(c.theirs)}</pre>
                </div>
              </div>
            </li>
          );
        })}
      </ul>
    </Modal>
  );
}
