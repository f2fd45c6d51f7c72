import { useRef, useState } from 'react';
import styled from 'styled-components';
import { Button, Field, Next, Note, Soft } from '../theme/bits';
import { fromPhoto, markError, tiltMost, type Point } from './photo';
import { readLength } from './measure';

const Frame = styled.div`
  position: relative;
  touch-action: none;
  border: 1.5px solid var(--ink);
  border-radius: 6px;
  overflow: hidden;
  img {
    display: block;
    width: 100%;
    height: auto;
    cursor: crosshair;
  }
  svg {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    pointer-events: none;
  }
`;
const Mark = styled.button`
  position: absolute;
  width: 44px;
  height: 44px;
  transform: translate(-50%, -50%);
  border: 0;
  background: transparent;
  cursor: grab;
  padding: 0;
  display: grid;
  place-items: center;
  font-weight: 800;
  color: #fff;
  text-shadow:
    0 0 3px #000,
    0 0 3px #000;
  &::after {
    content: '';
    position: absolute;
    left: 50%;
    top: 50%;
    width: 14px;
    height: 14px;
    transform: translate(-50%, -50%);
    border: 2px solid #fff;
    outline: 2px solid #000;
    border-radius: 50%;
  }
  span {
    transform: translate(16px, -14px);
  }
`;

const marks = ['ruler, one end', 'ruler, other end', 'part, one end', 'part, other end'];
const letters = ['A', 'B', 'C', 'D'];
const start: Point[] = [
  { x: 0.15, y: 0.9 },
  { x: 0.4, y: 0.9 },
  { x: 0.5, y: 0.2 },
  { x: 0.5, y: 0.7 },
];

/** Two ends of a thing of known size, two ends of the part: plain geometry, and what tilt does to it. */
export function PhotoMeasure({
  src,
  alt,
  width,
  height,
  unit,
  onTake,
}: {
  src: string;
  alt: string;
  width: number;
  height: number;
  unit: string;
  onTake: (value: number, error: number) => void;
}) {
  const [at, setAt] = useState(start);
  const [known, setKnown] = useState('');
  const [held, setHeld] = useState(0);
  const [shown, setShown] = useState(600); // width on the screen, which decides how far a mark may be off
  const frame = useRef<HTMLDivElement>(null);
  const move = (i: number, p: Point) =>
    setAt(at.map((q, k) => (k === i ? { x: Math.min(1, Math.max(0, p.x)), y: Math.min(1, Math.max(0, p.y)) } : q)));
  const place = (e: { clientX: number; clientY: number }): Point => {
    const box = frame.current!.getBoundingClientRect();
    return { x: (e.clientX - box.left) / box.width, y: (e.clientY - box.top) / box.height };
  };
  const px = (p: Point): Point => ({ x: p.x * width, y: p.y * height });
  const size = readLength(known, unit);
  const reading =
    size && fromPhoto([px(at[0]!), px(at[1]!)], [px(at[2]!), px(at[3]!)], size.value, (markError * width) / shown);
  return (
    <div style={{ display: 'grid', gap: 10 }}>
      <p>
        Lay A and B on the ends of something whose size you know, C and D on the ends of the part. Tap in the picture to
        move the mark that is chosen, or move it with the arrow keys.
      </p>
      <Frame ref={frame} onPointerDown={(e) => (e.target as HTMLElement).tagName === 'IMG' && move(held, place(e))}>
        <img src={src} alt={alt} draggable={false} onLoad={(e) => setShown(e.currentTarget.clientWidth || 600)} />
        <svg viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
          {[
            [0, 1],
            [2, 3],
          ].map(([a, b]) =>
            [5, 2].map((w) => (
              <path
                key={`${a}${w}`}
                d={`M${at[a!]!.x * 100} ${at[a!]!.y * 100}L${at[b!]!.x * 100} ${at[b!]!.y * 100}`}
                stroke={w === 5 ? '#000' : '#fff'}
                strokeWidth={w}
                strokeDasharray={a === 0 ? '7 5' : undefined}
                vectorEffect="non-scaling-stroke"
              />
            )),
          )}
        </svg>
        {at.map((p, i) => (
          <Mark
            key={i}
            type="button"
            aria-label={`${letters[i]}: ${marks[i]}, ${Math.round(p.x * 100)} % across, ${Math.round(p.y * 100)} % down`}
            aria-pressed={held === i}
            style={{ left: `${p.x * 100}%`, top: `${p.y * 100}%` }}
            onFocus={() => setHeld(i)}
            onPointerDown={(e) => {
              setHeld(i);
              e.currentTarget.setPointerCapture(e.pointerId);
            }}
            onPointerMove={(e) => e.currentTarget.hasPointerCapture(e.pointerId) && move(i, place(e))}
            onKeyDown={(e) => {
              const step = e.shiftKey ? 0.02 : 0.004;
              const by: Record<string, Point> = {
                ArrowLeft: { x: -step, y: 0 },
                ArrowRight: { x: step, y: 0 },
                ArrowUp: { x: 0, y: -step },
                ArrowDown: { x: 0, y: step },
              };
              const d = by[e.key];
              if (d) {
                e.preventDefault();
                move(i, { x: p.x + d.x, y: p.y + d.y });
              }
            }}
          >
            <span>{letters[i]}</span>
          </Mark>
        ))}
      </Frame>
      <Field>
        From A to B it is
        <input value={known} onChange={(e) => setKnown(e.target.value)} placeholder="2.3 cm" />
      </Field>
      <p role="status">
        {reading ? (
          <>
            <b>
              C to D: {reading.value.toFixed(2)} {unit}
            </b>
            , between {reading.low.toFixed(2)} and {reading.high.toFixed(2)} {unit}.
          </>
        ) : known && !size ? (
          'That can’t be read. Write a number with cm, mm or in.'
        ) : (
          ''
        )}
      </p>
      <Note>
        A picture only keeps lengths in the one plane that faces it. A part that leans {tiltMost}° away reads{' '}
        {Math.round((1 - Math.cos((tiltMost * Math.PI) / 180)) * 1000) / 10} % too short, a leaning ruler makes it read
        as much too long, and what lies nearer looks larger. Lay both flat, at one distance. Up to {tiltMost}° is
        counted in; at 45° it would be {Math.round((1 - Math.SQRT1_2) * 100)} %.
      </Note>
      <Next isDisabled={!reading} onPress={() => reading && onTake(reading.value, reading.error)}>
        Take this reading
      </Next>
      <Soft>The picture itself is a record and never evidence; the length is yours to store.</Soft>
      <Button onPress={() => setAt(start)}>Lay the marks anew</Button>
    </div>
  );
}
