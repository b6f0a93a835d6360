import { Button, Modal, Radio } from 'antd';
import { useState } from 'react';
import type { Answer } from '../api/client';

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
      title={`Move ${row?.label ?? circuit}`}
      footer={
        <Button
          type="primary"
          disabled={panel === ''}
          onClick={() => {
            void move({ panel, wires });
            close();
          }}
        >
          Move it
        </Button>
      }
    >
      <fieldset className="choices">
        <legend>To</legend>
        <Radio.Group
          value={panel}
          onChange={(e) => setPanel(e.target.value)}
          options={places.map((p) => ({
            value: p,
            label: isPanel(p) ? answer.labels[p] : `${answer.labels[p]}, load side`,
          }))}
        />
        {places.length === 0 && (
          <p className="quiet">Nowhere: no panel it does not feed itself has a free slot. Make room first.</p>
        )}
      </fieldset>
      <fieldset className="choices">
        <legend>What moves</legend>
        <Radio.Group
          value={wires}
          onChange={(e) => setWires(e.target.value)}
          options={[
            { value: 'both', label: 'hot and neutral' },
            { value: 'hot', label: 'the hot alone' },
            { value: 'neutral', label: 'the neutral alone' },
          ]}
        />
      </fieldset>
      {wires !== 'both' && (
        <p className="quiet">Apart only when the rig really is so: a neutral always belongs with its hot.</p>
      )}
    </Modal>
  );
}
