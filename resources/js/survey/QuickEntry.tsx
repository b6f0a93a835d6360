import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import type { Problem } from '../api/client';
import type { DesignHold } from '../job/useDesign';
import { t } from '../words/t';
import './QuickEntry.css';

/** One line a circuit, as it is called out at the panel: into a 120 V panel or a 12 V one. */
export function QuickEntry({ hold, direct = false }: { hold: DesignHold; direct?: boolean }) {
  const [lines, setLines] = useState('');
  const type = direct ? 'dc_panel' : 'panel';
  const panels = Object.entries(hold.design.document.asFound.components).filter(([, c]) => c.type === type);
  const [chosen, setPanel] = useState('');
  const panel = panels.some(([id]) => id === chosen) ? chosen : (panels[0]?.[0] ?? '');
  const [wrong, setWrong] = useState<string[]>([]);
  const id = direct ? 'quick-12v' : 'quick-lines';
  if (panels.length === 0) return null;
  const add = async () => {
    setWrong([]);
    const many = lines.trim().includes('\n');
    const refused = (problems: Problem[]) =>
      setWrong(
        problems.map((p) =>
          many && /^\/lines\/\d+$/.test(p.pointer) ? `Line ${p.pointer.slice(7)}: ${p.message}` : p.message,
        ),
      );
    if (lines.trim() !== '' && (await hold.edit({ kind: 'add_circuits', panel, lines } as never, refused)))
      setLines('');
  };
  return (
    <form
      className="quick"
      onSubmit={(e) => {
        e.preventDefault();
        void add();
      }}
    >
      <label htmlFor={id}>{direct ? t('survey.quickEntry12V') : t('survey.quickEntry')}</label>
      <Input.TextArea
        id={id}
        rows={Math.min(8, lines.split('\n').length)}
        value={lines}
        onChange={(e) => setLines(e.target.value)}
        onPressEnter={(e) => {
          if (!e.shiftKey) {
            e.preventDefault();
            void add();
          }
        }}
        placeholder={direct ? t('survey.n15Lights14awg18ft4a') : t('survey.n20GfciBath122')}
        aria-describedby={`${id}-wrong ${id}-help`}
        status={wrong.length > 0 ? 'error' : ''}
      />
      {panels.length > 1 && (
        <Select
          aria-label={t('survey.panel')}
          value={panel}
          onChange={(v) => setPanel(v)}
          options={panels.map(([value, c]) => ({ value, label: c.label }))}
        />
      )}
      <Button htmlType="submit" type="primary">
        {direct ? t('survey.add12V') : t('survey.add')}
      </Button>
      <p id={`${id}-wrong`} className="wrong" role="alert">
        {wrong.join(' ')}
      </p>
      <p id={`${id}-help`} className="quiet">
        {t('survey.enterAddsShiftEnterStarts', {
          which: direct ? t('survey.fuseThenInAnyOrder') : t('survey.breakerThenInAnyOrder'),
        })}
      </p>
    </form>
  );
}
