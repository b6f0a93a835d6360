/** Puts away what came over the page. */
export function CloseSign() {
  return (
    <span className="close-sign">
      <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
        <path d="M4 4l12 12M16 4L4 16" />
      </svg>
    </span>
  );
}

/** Opens a list of choices. */
export function OpenSign() {
  return (
    <span className="open-sign">
      <svg width="12" height="12" viewBox="0 0 12 12" aria-hidden="true">
        <path d="M1 3.5h10L6 9.5z" />
      </svg>
    </span>
  );
}
