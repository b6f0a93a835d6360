import './Cautions.css';
/** The standing cautions, where a plan is first met. */
export function Cautions() {
  return (
    <p className="cautions">
      <strong>Before you rely on a plan:</strong> local code, the equipment&rsquo;s listing and instructions, and
      licensed practice rule over everything shown here. Work on the shore side of the main breaker and in park
      pedestals needs a licensed person. Isolate every source and prove it dead, live&ndash;dead&ndash;live, before you
      touch.
    </p>
  );
}
