import { useState } from 'react';
import { importWeather, type S } from '../api/client';
import { useGround } from '../api/hooks';
import { Button, Field, Soft } from '../theme/bits';
import { Refused } from '../theme/deed';

/** A file of daily weather for a place; with faults in it, the good part is stored only when that is said. */
export function WeatherFile({ place }: { place: string }) {
  const send = useGround(({ file, partly }: { file: Blob; partly: boolean }) => importWeather(place, file, partly));
  const [file, setFile] = useState<Blob>();
  const got: S['Imported'] | undefined = send.data;
  const problem = send.error;
  return (
    <section style={{ display: 'grid', gap: 8 }} aria-labelledby="weather-h">
      <h2 id="weather-h">Weather</h2>
      <Soft>
        A CSV with the columns date, tmin_c, tmax_c and rain_mm (or tmin_f, tmax_f, rain_in), a line a day. Degree days
        and signs after rain or frost are reckoned from it.
      </Soft>
      <Field>
        Bring a weather file
        <input
          type="file"
          accept=".csv,text/csv"
          onChange={(e) => {
            const f = e.target.files?.[0];
            e.target.value = '';
            if (f) {
              setFile(f);
              send.mutate({ file: f, partly: false });
            }
          }}
        />
      </Field>
      <Refused error={problem} />
      {got && (
        <>
          <p role="status">
            {got.read} days read, {got.stored ? 'and stored' : 'nothing stored yet'}.
            {got.gaps.length > 0 && ` Missing: ${got.gaps.slice(0, 4).join('; ')}${got.gaps.length > 4 ? '…' : ''}.`}
          </p>
          {got.problems.length > 0 && (
            <ul>
              {got.problems.slice(0, 8).map((x, i) => (
                <li key={i}>
                  Line {x.line}, {x.field}: {x.what}
                  {x.hint ? ` (${x.hint})` : ''}
                </li>
              ))}
              {got.problems.length > 8 && <li>and {got.problems.length - 8} more</li>}
            </ul>
          )}
          {!got.stored && got.read > 0 && file && (
            <Button onPress={() => send.mutate({ file, partly: true })}>Store the {got.read} good days</Button>
          )}
        </>
      )}
    </section>
  );
}
