import type { S } from '../api/client';

export type AuditGroup = {
  id: string;
  name: string;
  lines: S['AuditLine'][];
  open: number;
  left: number;
  refused: number;
};

/** The lines of one entry together, in the order of the guide, with how many of its stages may be gathered. */
export function groupAudit(lines: S['AuditLine'][]): AuditGroup[] {
  const out = new Map<string, AuditGroup>();
  for (const l of lines) {
    const group = out.get(l.taxon.id) ?? {
      id: l.taxon.id,
      name: l.taxon.common,
      lines: [],
      open: 0,
      left: 0,
      refused: 0,
    };
    group.lines.push(l);
    if (l.refused) group.refused += 1;
    else if (l.holds) group.open += 1;
    else group.left += 1;
    out.set(l.taxon.id, group);
  }
  return [...out.values()];
}
