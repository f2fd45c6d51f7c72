const shapes: Record<string, string> = {
  fresh: 'M9 12h22l-2 25H11zM9 12l3-6h16l3 6M14 6l3 6M26 6l-3 6',
  cooked:
    'M6 18h28v9a7 7 0 0 1-7 7H13a7 7 0 0 1-7-7zM6 22H2M34 22h4M13 13c-2-3 2-4 0-7M20 13c-2-3 2-4 0-7M27 13c-2-3 2-4 0-7',
  dried:
    'M3 8c11 6 23 6 34 0M10 11v4M20 13v4M30 11v4M6 19c0-5 8-5 8 0s-8 9-8 0zM16 21c0-5 8-5 8 0s-8 9-8 0zM26 19c0-5 8-5 8 0s-8 9-8 0z',
  frozen: 'M6 12l14-7 14 7v16l-14 7-14-7zM6 12l14 7 14-7M20 19v16M12 24l3 2M26 26l3-2',
  ground: 'M6 18h28l-5 14H11zM14 32l-2 4h16l-2-4M22 18l9-14',
  pickled: 'M11 11h18v4c4 3 4 6 4 9v9a3 3 0 0 1-3 3H10a3 3 0 0 1-3-3v-9c0-3 0-6 4-9zM12 5h16v6H12zM7 22h26',
  extract: 'M16 4h8v8c6 3 8 7 8 12v9a3 3 0 0 1-3 3H11a3 3 0 0 1-3-3v-9c0-5 2-9 8-12zM8 24h24M17 30h6',
};

/** What a lot stands in: a bag, a pan, a string, a block, a mortar, a jar, a bottle. The word stands beside it. */
export const Vessel = ({ form, size = 40 }: { form: string; size?: number }) => (
  <svg width={size} height={size} viewBox="0 0 40 40" aria-hidden="true" style={{ flex: 'none' }}>
    <path
      d={shapes[form] ?? shapes.fresh}
      fill="none"
      stroke="currentColor"
      strokeWidth="1.8"
      strokeLinejoin="round"
      strokeLinecap="round"
    />
  </svg>
);
