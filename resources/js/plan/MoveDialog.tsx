import { Button, Modal, Radio } from 'antd';
import { useState } from 'react';
import type { Answer } from '../api/client';
import { t } from '../words/t';

interface Props {
  answer: Answer;
  circuit: string;
  close: () => void;
  move: (to: { panel: string; wires: string; slot?: number }) => Promise<boolean>;
}

/** Moving a circuit without a pointer: where to, and whether hot and neutral go together. */
export function MoveDialog({ answer, circuit, close, move }: Props) {
  const row = answer.table.find((r) => r.circuit === circuit);
  const [wires, setWires] = useState('both');
  const moves = Object.entries(answer.moves[circuit] ?? {});
  const places = moves.filter(([, can]) => (wires === 'neutral' ? can.neutral : can.hot)).map(([id]) => id);
  const [chosen, setPanel] = useState('');
  const panel = places.includes(chosen) ? chosen : (places[0] ?? '');
  const isPanel = (id: string) => id in answer.wall.trays;
  return (
    <Modal
      open
      onCancel={close}
      title={t('plan.move3', { label: row?.label ?? circuit })}
      footer={
        <Button
          type="primary"
          disabled={panel === ''}
          onClick={() => {
            void move({ panel, wires });
            close();
          }}
        >
          {t('plan.moveIt')}
        </Button>
      }
    >
      <fieldset className="choices">
        <legend>{t('plan.to')}</legend>
        <Radio.Group
          value={panel}
          onChange={(e) => setPanel(e.target.value)}
          options={places.map((p) => ({
            value: p,
            label: isPanel(p) ? answer.labels[p] : t('plan.loadSide', { p: answer.labels[p] }),
          }))}
        />
        {places.length === 0 && <p className="quiet">{t('plan.nowhereNoPanelItDoes')}</p>}
      </fieldset>
      <fieldset className="choices">
        <legend>{t('plan.whatMoves')}</legend>
        <Radio.Group
          value={wires}
          onChange={(e) => setWires(e.target.value)}
          options={[
            { value: 'both', label: t('plan.hotAndNeutral') },
            { value: 'hot', label: t('plan.theHotAlone') },
            { value: 'neutral', label: t('plan.theNeutralAlone') },
          ]}
        />
      </fieldset>
      {wires !== 'both' && <p className="quiet">{t('plan.apartOnlyWhenTheRig')}</p>}
    </Modal>
  );
}
