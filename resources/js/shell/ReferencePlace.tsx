import { useQuery } from '@tanstack/react-query';
import { Table } from 'antd';
import { referenceQuery } from '../job/useDesign';
import { Failed, Waiting } from '../ui/Waiting';
import { TopBar } from './TopBar';
import { t } from '../words/t';
import './ReferencePlace.css';

/** Rules with their sources, and the conductor tables, as the engine uses them. */
export default function ReferencePlace() {
  const reference = useQuery(referenceQuery);
  if (reference.isPending) return <Waiting what={t('shell.rulesAndTables')} />;
  if (reference.isError) return <Failed error={reference.error} again={() => void reference.refetch()} />;
  const amps = (school: string) => (ampacity: Record<string, number>) =>
    ampacity[school] === undefined ? '–' : `${ampacity[school]} A`;
  return (
    <>
      <TopBar title={t('shell.rulesAndTables2')} />
      <main className="page">
        <h1>{t('shell.rulesVersion', { version: reference.data.version })}</h1>
        <p className="quiet">{t('shell.clausesAndTableValuesMarked')}</p>
        {reference.data.rules.map((rule) => (
          <section key={rule.id} className={`rule sev-${rule.severity}`}>
            <h2>{rule.title}</h2>
            <p>{rule.explanation}</p>
            <p className="quiet">
              {rule.severity} · {rule.source}
            </p>
          </section>
        ))}
        <h1>{t('shell.conductors')}</h1>
        <Table
          size="small"
          pagination={false}
          rowKey="designation"
          dataSource={reference.data.conductors}
          columns={[
            { title: t('shell.size'), dataIndex: 'spoken' },
            { title: t('shell.area'), dataIndex: 'areaMm2', render: (v: number) => `${v} mm²`, align: 'right' },
            { title: t('shell.at20C'), dataIndex: 'mohmPerM20C', render: (v: number) => `${v} mΩ/m`, align: 'right' },
            { title: t('shell.marine105C'), dataIndex: 'ampacity', key: 'm', render: amps('marine'), align: 'right' },
            {
              title: t('shell.building75C'),
              dataIndex: 'ampacity',
              key: 'b',
              render: amps('building'),
              align: 'right',
            },
            { title: t('shell.branch60C'), dataIndex: 'ampacity', key: 'r', render: amps('branch'), align: 'right' },
            { title: t('shell.cord'), dataIndex: 'ampacity', key: 'c', render: amps('cord'), align: 'right' },
          ]}
        />
      </main>
    </>
  );
}
