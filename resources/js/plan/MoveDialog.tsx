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
  const panels = Object.keys(answer.wall.trays);
  const [panel, setPanel] = useState(panels.find((p) => p !== row?.panel) ?? panels[0] ?? '');
  const [wires, setWires] = useState('both');
  return (
    <Modal
      open
      onCancel={close}
      title={`Move ${row?.label ?? circuit}`}
      footer={
        <Button
          type="primary"
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
          options={panels.map((p) => ({ value: p, label: answer.labels[p] ?? p }))}
        />
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
