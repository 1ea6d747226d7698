import { Button } from '@mantine/core';
import {
  isOutOfTune,
  tuned,
  tuneFile,
  writeMidiFile,
  type SounderResponse,
  type ToldNotes,
  type Tuned,
  type Tuning,
} from '@hum-lever/core';
import { saveFile, showDuration } from '../../shared/index.ts';
import { lab } from '../../workers/index.ts';
import { PlaceLink } from './PlaceLink.tsx';
import { centsWords, pitchName, semitones } from './pitchWords.ts';
import classes from './Sound.module.css';

/** What is longer is no tune to listen to: ten megabytes. */
const longestWavUs = 120_000_000;
/** Of many pitches and tunes so many are shown. */
const [mostPitches, mostTunes] = [48, 12];

/** One sounder: what makes its pitches, how near each comes, and its tunes drawn. */
export function Sounders({ tuning, held }: { tuning: Tuning; held: string | null }) {
  const { output, response, pitches, told } = tuning;
  return (
    <section className={classes.part} aria-label={output.name}>
      <h2>{output.name}</h2>
      <p>{madeBy(tuning)}</p>
      {response && <p>{heardBest(response)}</p>}
      {held !== null && <p>{held}</p>}
      {pitches.length === 0 ? (
        <p className={classes.soft}>No rule asks it for a pitch in plain numbers.</p>
      ) : (
        <table className={classes.table} aria-label={`Pitches of ${output.name}`}>
          <thead>
            <tr>
              <th scope="col">Asked for</th>
              <th scope="col">Note</th>
              <th scope="col">Setting</th>
              <th scope="col">Sounds at</th>
              {response && <th scope="col">Quieter, dB</th>}
              <th scope="col">Off by, cents</th>
            </tr>
          </thead>
          <tbody>
            {pitches.slice(0, mostPitches).map((pitch) => (
              <tr key={pitch.hz} data-off={isOutOfTune(pitch) || undefined}>
                <th scope="row" className="number">
                  {Math.round(pitch.hz * 100) / 100} Hz
                </th>
                <td>{pitchName(pitch.hz)}</td>
                <td className="number">
                  {pitch.setting ? `÷ ${pitch.setting.prescaler}, to ${pitch.setting.compare}` : '–'}
                </td>
                <td className="number">{(Math.round(pitch.givesHz * 100) / 100).toFixed(2)} Hz</td>
                {pitch.levelDb !== null && <td className="number">{quieter(pitch.levelDb)}</td>}
                <td className="number">
                  {centsWords(pitch.cents)}
                  {pitch.heldHz !== pitch.hz && ' (held)'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {pitches.length > mostPitches && (
        <p className={classes.soft}>… and {pitches.length - mostPitches} more.</p>
      )}
      {told.slice(0, mostTunes).map((tune, n) => (
        <DrawnTune key={n} tune={tune} tuning={tuning} pitchOf={(hz) => tuned(tuning, hz)} />
      ))}
      {told.length > mostTunes && <p className={classes.soft}>… and {told.length - mostTunes} more tunes.</p>}
    </section>
  );
}

function madeBy({ output, clocked }: Tuning): string {
  const range = `It gives ${output.lowHz} to ${output.highHz}\u202fHz.`;
  if (clocked) {
    const { clockHz, timer } = clocked;
    const [least, most] = [Math.min(...timer.prescalers), Math.max(...timer.prescalers)];
    return `Timer ${timer.id}, ${timer.bits} bits, counts ${clockHz / 1_000_000}\u202fMHz divided by ${least === most ? least : `${least} to ${most}`}. ${range}`;
  }
  return output.pitched === 'exact'
    ? `Its pitches are taken just as they are asked for. ${range}`
    : `Nothing is known of a timer for it: no board is chosen, or none of its timers is left. ${range}`;
}

/** “12”: dB below its best; what is about as loud is 0. */
const quieter = (levelDb: number): string => String(Math.max(0, Math.round(-levelDb)));

function heardBest({ kind, hz }: SounderResponse): string {
  const what = kind === 'band' ? 'is loudest at' : 'is as loud as it gets from';
  return `It ${what} ${hz}\u202fHz${kind === 'high' ? ' on' : ''}, by its part’s figures; other pitches are quieter, and sound so in hand.`;
}

const [noteHigh, gap, most] = [13, 17, 660];

/** Notes on their time, higher ones higher, each with its cents under it. */
function DrawnTune({
  tune,
  tuning,
  pitchOf,
}: {
  tune: ToldNotes;
  tuning: Tuning;
  pitchOf: (hz: number) => Tuned;
}) {
  const { notes, place, name } = tune;
  const saveWav = async () => saveFile(`${name}.wav`, 'audio/wav', await lab().wav(tuning, notes));
  const totalUs = notes.reduce((sum, { lengthUs }) => sum + lengthUs, 0);
  const sounding = notes.filter(({ hz }) => hz > 0).map(({ hz }) => semitones(hz));
  const [lowest, highest] = sounding.length > 0 ? [Math.min(...sounding), Math.max(...sounding)] : [0, 0];
  // Two octaves and more take no more room than that.
  const step = Math.min(5, 90 / Math.max(1, highest - lowest));
  const height = (highest - lowest) * step + noteHigh + gap;
  const scale = most / totalUs;
  let atUs = 0;
  const drawn = notes.map(({ hz, lengthUs }, n) => {
    const x = atUs * scale;
    atUs += lengthUs;
    return hz > 0
      ? { n, x, wide: lengthUs * scale, y: (highest - semitones(hz)) * step, pitch: pitchOf(hz) }
      : null;
  });
  const words = notes.map(
    ({ hz, lengthUs }) => `${hz === 0 ? 'rest' : pitchName(hz)} ${showDuration(lengthUs)}`,
  );
  return (
    <figure className={classes.tune}>
      <figcaption>
        Notes of {showDuration(totalUs)} in <PlaceLink place={place}>{name}</PlaceLink>{' '}
        <Button
          size="compact-xs"
          variant="subtle"
          aria-label={`Save the tune in ${name} as a MIDI file`}
          onClick={() => saveFile(`${name}.mid`, 'audio/midi', writeMidiFile(tuneFile(notes)))}
        >
          Save as MIDI file
        </Button>
        {totalUs <= longestWavUs && (
          <Button
            size="compact-xs"
            variant="subtle"
            aria-label={`Save the tune in ${name} as a WAV file`}
            onClick={() => void saveWav()}
          >
            Save as WAV file
          </Button>
        )}
      </figcaption>
      <svg viewBox={`0 0 ${most} ${height}`} role="img" aria-label={words.join(', ')}>
        {drawn.map(
          (one) =>
            one && (
              <g key={one.n} data-off={isOutOfTune(one.pitch) || undefined}>
                <rect
                  x={one.x + 0.5}
                  y={one.y}
                  width={Math.max(2, one.wide - 1.5)}
                  height={noteHigh}
                  rx="2"
                />
                {one.wide >= 26 && (
                  <text x={one.x + 2} y={one.y + noteHigh + 11}>
                    {centsWords(one.pitch.cents)}
                  </text>
                )}
              </g>
            ),
        )}
      </svg>
    </figure>
  );
}
