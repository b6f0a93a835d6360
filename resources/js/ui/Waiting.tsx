import { Button, Spin } from 'antd';
import './Waiting.css';

export function Waiting({ what }: { what: string }) {
  return (
    <div className="waiting" role="status">
      <Spin /> <span>Fetching {what} …</span>
    </div>
  );
}

export function Failed({ error, again }: { error: Error; again: () => void }) {
  return (
    <div className="waiting" role="alert">
      <p>
        <strong>That did not work.</strong> {error.message} Nothing was lost.
      </p>
      <Button onClick={again}>Try again</Button>
    </div>
  );
}
