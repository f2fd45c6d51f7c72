import styled from 'styled-components';
import type { S } from '../api/client';
import { Soft } from '../theme/bits';
import { along, fitWords, marks } from './windows';

const List = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 10px;
  li {
    display: grid;
    grid-template-columns: minmax(200px, 1fr) minmax(220px, 1fr);
    gap: 4px 18px;
    border-top: 1px solid var(--line);
    padding-top: 8px;
  }
  svg {
    width: 100%;
    display: block;
  }
  text {
    font-size: 11px;
    fill: var(--ink-soft);
  }
  @media (max-width: 700px) {
    li {
      grid-template-columns: 1fr;
    }
  }
`;

const hours = (ms: number) => ms / 3_600_000;

/** Ways of poisoning with their windows, the most dangerous first, none left out; each strip runs from a quarter of an hour to three weeks. */
export const Windows = ({
  lines,
  sinceMs,
  delayMs,
}: {
  lines: S['SyndromeLine'][];
  sinceMs: number;
  delayMs: number;
}) => (
  <List>
    {lines.map((l) => (
      <li key={l.id}>
        <div>
          <b>{l.name}</b>, {l.gradeWord}
          {l.deaths && `, ${l.deaths}`}
          {l.suspected && (
            <>
              ; <b>the records lead to it</b>
            </>
          )}
          <p>
            <Soft>{l.help}</Soft>
          </p>
        </div>
        <div>
          <svg viewBox="-8 0 400 34" role="img" aria-label={`Signs begin: ${l.onset}. ${fitWords[l.fit]}`}>
            {marks.map(([h, t]) => (
              <g key={t}>
                <path d={`M${along(h) * 3.7} 6V20`} stroke="var(--line)" strokeWidth="1" />
                <text x={along(h) * 3.7} y="31" textAnchor="middle">
                  {t}
                </text>
              </g>
            ))}
            <path d="M0 13H370" stroke="var(--ink-soft)" strokeWidth="1" />
            <path
              d={`M${along(l.from) * 3.7} 13H${Math.max(along(l.to), along(l.from) + 1) * 3.7}`}
              stroke="var(--bramble)"
              strokeWidth="9"
            />
            {sinceMs > 0 && (
              <path
                d={`M${along(hours(sinceMs)) * 3.7} 2V22`}
                stroke="var(--ink)"
                strokeWidth="1.6"
                strokeDasharray="3 2"
              />
            )}
            {delayMs >= 0 && <path d={`M${along(hours(delayMs)) * 3.7 - 4} 1h8l-4 7z`} fill="var(--ink)" />}
          </svg>
          <p>
            Signs begin: {l.onset}
            {fitWords[l.fit] && (
              <>
                ; <b>{fitWords[l.fit]}</b>
              </>
            )}
          </p>
        </div>
      </li>
    ))}
  </List>
);
