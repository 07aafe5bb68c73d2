/** A hatching for fills, once on a page, by its id. */
export const Hatch = ({ id }: { id: string }) => (
  <svg width="0" height="0" className="absolute" aria-hidden="true">
    <defs>
      <pattern id={id} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="6" height="6" fill="var(--sheet)" />
        <path d="M0 0V6" stroke="var(--ink)" strokeWidth="1.3" />
      </pattern>
    </defs>
  </svg>
);
