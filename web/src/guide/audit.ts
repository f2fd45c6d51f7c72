import type { S } from '../api/client';

export type AuditGroup = { key: string; name: string; lines: S['AuditLine'][] };

/** The lines of one taxon and use together, in the order of the guide. */
export function groupAudit(lines: S['AuditLine'][]): AuditGroup[] {
  const out = new Map<string, AuditGroup>();
  for (const l of lines) {
    const key = `${l.taxon.id} ${l.part} ${l.preparation}`;
    const group = out.get(key) ?? { key, name: `${l.taxon.common}, ${l.part}, ${l.preparation}`, lines: [] };
    group.lines.push(l);
    out.set(key, group);
  }
  return [...out.values()];
}
