import { useQuery } from '@tanstack/react-query';
import { Table } from 'antd';
import { referenceQuery } from '../job/useDesign';
import { Failed, Waiting } from '../ui/Waiting';
import { TopBar } from './TopBar';
import './ReferencePlace.css';

/** Rules with their sources, and the conductor tables, as the engine uses them. */
export default function ReferencePlace() {
  const reference = useQuery(referenceQuery);
  if (reference.isPending) return <Waiting what="rules and tables" />;
  if (reference.isError) return <Failed error={reference.error} again={() => void reference.refetch()} />;
  const amps = (school: string) => (ampacity: Record<string, number>) =>
    ampacity[school] === undefined ? '–' : `${ampacity[school]} A`;
  return (
    <>
      <TopBar title="Rules and tables" />
      <main className="page">
        <h1>Rules, version {reference.data.version}</h1>
        <p className="quiet">
          Clauses and table values marked so were entered from memory: check them against a printed copy before you
          quote them.
        </p>
        {reference.data.rules.map((rule) => (
          <section key={rule.id} className={`rule sev-${rule.severity}`}>
            <h2>{rule.title}</h2>
            <p>{rule.explanation}</p>
            <p className="quiet">
              {rule.severity} · {rule.source}
            </p>
          </section>
        ))}
        <h1>Conductors</h1>
        <Table
          size="small"
          pagination={false}
          rowKey="designation"
          dataSource={reference.data.conductors}
          columns={[
            { title: 'Size', dataIndex: 'spoken' },
            { title: 'Area', dataIndex: 'areaMm2', render: (v: number) => `${v} mm²`, align: 'right' },
            { title: 'At 20 °C', dataIndex: 'mohmPerM20C', render: (v: number) => `${v} mΩ/m`, align: 'right' },
            { title: 'Marine, 105 °C', dataIndex: 'ampacity', key: 'm', render: amps('marine'), align: 'right' },
            { title: 'Building, 75 °C', dataIndex: 'ampacity', key: 'b', render: amps('building'), align: 'right' },
            { title: 'Branch, 60 °C', dataIndex: 'ampacity', key: 'r', render: amps('branch'), align: 'right' },
            { title: 'Cord', dataIndex: 'ampacity', key: 'c', render: amps('cord'), align: 'right' },
          ]}
        />
      </main>
    </>
  );
}
