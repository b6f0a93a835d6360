import { useQuery } from '@tanstack/react-query';
import { useParams, useSearchParams } from 'react-router';
import { Failed, Waiting } from '../ui/Waiting';
import { t } from '../words/t';
import './LabelPrint.css';

/** The sheets of labels of a plan, a page each, for a printer or a PDF. */
export default function LabelPrint() {
  const { id = '' } = useParams();
  const [search] = useSearchParams();
  const stock = search.get('stock') ?? 'letter_30';
  const plan = search.get('plan');
  const pages = useQuery({
    queryKey: ['label pages', id, plan, stock],
    queryFn: async () => {
      const page = async (n: number) => {
        const query = new URLSearchParams({ form: 'svg', stock, page: String(n), ...(plan ? { plan } : {}) });
        const response = await fetch(`/api/v1/jobs/${id}/labels?${query.toString()}`, { credentials: 'same-origin' });
        if (!response.ok) throw new Error(String(response.status));
        return { svg: await response.text(), pages: Number(response.headers.get('X-Pages') ?? 1) };
      };
      const first = await page(1);
      const rest = await Promise.all(Array.from({ length: first.pages - 1 }, (_, n) => page(n + 2)));
      return [first, ...rest].map((p) => p.svg);
    },
  });
  if (pages.error) return <Failed error={pages.error} again={() => void pages.refetch()} />;
  if (!pages.data) return <Waiting what={t('build.labelPages')} />;
  return (
    <main className={stock.startsWith('a4') ? 'label-print is-a4' : 'label-print is-letter'} data-ready="true">
      {pages.data.map((svg, n) => (
        <img
          key={n}
          src={`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`}
          alt={t('build.sheetAsPrinted', { page: n + 1 })}
        />
      ))}
    </main>
  );
}
