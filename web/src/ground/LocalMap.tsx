import { useState } from 'react';
import styled from 'styled-components';
import type { S } from '../api/client';
import { arc, bar, frame, plane, shapes, type XY } from './map';
import { Pen } from './Pen';

const Sheet = styled.svg`
  width: 100%;
  height: auto;
  max-height: 60vh;
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  border-radius: 8px;
  text {
    font: 600 3.4px var(--text, sans-serif);
    fill: var(--ink);
  }
`;

type Props = {
  place: S['Place'];
  here?: S['TrackPoint'];
  trail: S['TrackPoint'][];
  ring?: S['RingOut'];
  patterns?: S['PatternsOut'];
  patch?: string;
  draft?: LatLon[];
  onPoint?: (p: LatLon) => void;
};
type LatLon = { lat: number; lon: number };

/** The place on a plane of its own: what was drawn or brought, patches, a ring, where one stands. No tiles from anywhere. */
export function LocalMap({ place, here, trail, ring, patterns, patch, draft = [], onPoint }: Props) {
  const lat0 = place.lat ?? trail[0]?.lat ?? 0;
  const lon0 = place.lon ?? trail[0]?.lon ?? 0;
  const { to, from } = plane(lat0, lon0);
  const [pen, setPen] = useState<XY>();
  const drawn = place.map ? shapes(place.map, to) : [];
  const caps = (place.patches ?? []).flatMap((p) =>
    p.points.map((q) => ({ ...to(q.lat, q.lon), accuracy: q.accuracy ?? 0, mine: p.id === patch })),
  );
  const walked = trail.map((f) => to(f.lat, f.lon));
  const near = ring ? caps.filter((c) => c.mine) : [...caps, ...walked];
  const centre = ring && to(ring.lat, ring.lon);
  const edge =
    ring && centre
      ? [
          { x: centre.x - ring.radius, y: centre.y - ring.radius },
          { x: centre.x + ring.radius, y: centre.y + ring.radius },
        ]
      : [];
  const [x, y, w, h] = frame(ring ? [...near, ...edge] : [...near, ...drawn.map((s) => s.at)], ring ? 24 : 90);
  const unit = w / 100; // all strokes and words are in hundredths of the width
  const length = bar(w);
  const at = here && to(here.lat, here.lon);
  const drawing = draft.map((p) => to(p.lat, p.lon));
  const line = patterns?.line && [
    to(patterns.line.from.lat, patterns.line.from.lon),
    to(patterns.line.to.lat, patterns.line.to.lon),
  ];
  const outline = patterns?.colony.outline.map((p) => to(p.lat, p.lon)) ?? [];
  const set = (p: XY) => {
    setPen(p);
    onPoint?.(from(p));
  };
  const touch = (e: React.MouseEvent<SVGSVGElement>) => {
    const m = e.currentTarget.getScreenCTM()?.inverse();
    if (!m || !onPoint) return;
    const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(m);
    set({ x: p.x, y: -p.y });
  };
  return (
    <Sheet
      viewBox={`${x} ${y} ${w} ${h}`}
      role={onPoint ? 'group' : 'img'}
      onClick={onPoint && touch}
      style={onPoint && { cursor: 'crosshair' }}
      aria-label={`Map of ${place.name}: ${
        drawn
          .map((s) => s.name)
          .filter(Boolean)
          .join(', ') || 'nothing drawn'
      }; ${caps.length} places marked${ring ? `; ${ring.words}` : ''}`}
    >
      {drawn.map((s, i) =>
        s.kind === 'point' ? (
          <circle key={i} cx={s.at.x} cy={-s.at.y} r={unit} fill="var(--ink-soft)" />
        ) : (
          <path
            key={i}
            d={s.d}
            fill={s.kind === 'area' ? 'var(--sunk)' : 'none'}
            stroke="var(--ink-soft)"
            strokeWidth={unit * 0.5}
            strokeDasharray={s.kind === 'area' ? `${unit} ${unit}` : undefined}
          />
        ),
      )}
      {drawn.map(
        (s, i) =>
          s.name && (
            <text key={`t${i}`} x={s.at.x + unit} y={-s.at.y - unit} style={{ fontSize: unit * 2.6 }}>
              {s.name}
            </text>
          ),
      )}
      {walked.length > 1 && (
        <path
          d={`M${walked.map((p) => `${p.x} ${-p.y}`).join('L')}`}
          fill="none"
          stroke="var(--bramble)"
          strokeWidth={unit * 0.6}
          strokeDasharray={`${unit * 0.6} ${unit}`}
        />
      )}
      {ring && centre && (
        <>
          <path
            d={arc(centre, ring.radius, ring.gapTo, ring.gapFrom)}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={unit * 0.7}
          />
          <path
            d={arc(centre, ring.radius, ring.gapFrom, ring.gapTo)}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={unit * 0.7}
            strokeDasharray={`${unit * 1.6} ${unit * 1.4}`}
          />
        </>
      )}
      {patterns && outline.length > 2 && (
        <path
          d={`M${outline.map((p) => `${p.x} ${-p.y}`).join('L')}z`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={unit * 0.4}
          strokeDasharray={`${unit * 0.4} ${unit * 0.8}`}
        />
      )}
      {line && line[0] && line[1] && patterns.line!.straight >= 0.9 && (
        <path
          d={`M${line[0].x} ${-line[0].y}L${line[1].x} ${-line[1].y}`}
          stroke="var(--ink)"
          strokeWidth={unit * 0.7}
        />
      )}
      {drawing.length > 0 && (
        <path
          d={`M${drawing.map((p) => `${p.x} ${-p.y}`).join('L')}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={unit * 0.6}
        />
      )}
      {drawing.map((p, i) => (
        <path
          key={`d${i}`}
          d={`M${p.x - unit * 0.7} ${-p.y - unit * 0.7}h${unit * 1.4}v${unit * 1.4}h${-unit * 1.4}z`}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth={unit * 0.35}
        />
      ))}
      {onPoint && <Pen at={pen ?? { x: x + w / 2, y: -(y + h / 2) }} unit={unit} onMove={setPen} onSet={set} />}
      {caps.map((c, i) => (
        <g key={i}>
          {c.accuracy > 0 && (
            <circle cx={c.x} cy={-c.y} r={c.accuracy} fill="var(--bramble)" opacity={c.mine ? 0.12 : 0.06} />
          )}
          <path
            d={`M${c.x - unit} ${-c.y}a${unit} ${unit} 0 0 1 ${2 * unit} 0zM${c.x} ${-c.y}v${unit}`}
            fill={c.mine ? 'var(--ink)' : 'none'}
            stroke="var(--ink)"
            strokeWidth={unit * 0.35}
          />
        </g>
      ))}
      {at && here && (
        <>
          <circle
            cx={at.x}
            cy={-at.y}
            r={Math.max(here.accuracy, unit)}
            fill="var(--lemon)"
            opacity="0.5"
            stroke="var(--ink)"
            strokeWidth={unit * 0.3}
          />
          <path
            d={`M${at.x - unit * 1.4} ${-at.y}H${at.x + unit * 1.4}M${at.x} ${-at.y - unit * 1.4}V${-at.y + unit * 1.4}`}
            stroke="var(--ink)"
            strokeWidth={unit * 0.5}
          />
        </>
      )}
      <path
        d={`M${x + unit * 3} ${y + h - unit * 3}h${length}m0 ${-unit}v${2 * unit}m${-length} 0v${-2 * unit}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={unit * 0.4}
      />
      <text x={x + unit * 3} y={y + h - unit * 4.4} style={{ fontSize: unit * 2.6 }}>
        {length} m
      </text>
      <path
        d={`M${x + w - unit * 4} ${y + unit * 9}v${-unit * 6}l${-unit} ${unit * 2}m${unit} ${-unit * 2}l${unit} ${unit * 2}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={unit * 0.4}
      />
      <text x={x + w - unit * 5} y={y + unit * 12} style={{ fontSize: unit * 2.6 }}>
        N
      </text>
    </Sheet>
  );
}
