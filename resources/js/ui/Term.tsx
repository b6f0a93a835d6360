import { Tooltip } from 'antd';
import { GLOSSARY } from './glossary';
import './Term.css';

/** A word with a meaning of its own, told on hover and on focus. */
export function Term({ children, of }: { children: string; of?: string }) {
  return (
    <Tooltip title={GLOSSARY[of ?? children]}>
      <dfn className="term" tabIndex={0}>
        {children}
      </dfn>
    </Tooltip>
  );
}
