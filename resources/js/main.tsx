import { createRoot } from 'react-dom/client';
import '@fontsource/barlow-semi-condensed/400.css';
import '@fontsource/barlow-semi-condensed/500.css';
import '@fontsource/barlow-semi-condensed/600.css';
import './ui/theme/base.css';
import './ui/theme/text.css';
import './ui/theme/controls.css';
import './ui/theme/page.css';
import './ui/theme/lists.css';
import './ui/theme/tables.css';
import './ui/theme/choices.css';
import { App } from './shell/App';

const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce ?? '';

// Ant Design measures scroll bars with a style element of its own, which the policy lets in only with the nonce.
const create = document.createElement.bind(document);
document.createElement = ((tag: string, options?: ElementCreationOptions) => {
  const element = create(tag, options);
  if (tag.toLowerCase() === 'style') element.setAttribute('nonce', nonce);
  return element;
}) as typeof document.createElement;

// A tablet beside the rig starts without a signal; where the connection is not safe there is no such worker.
if ('serviceWorker' in navigator && import.meta.env.PROD) void navigator.serviceWorker.register('/sw.js');

createRoot(document.getElementById('app')!).render(<App nonce={nonce} />);
