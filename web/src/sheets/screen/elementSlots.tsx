import {
  aligns,
  blinkings,
  boxKinds,
  dialKinds,
  fontNames,
  growths,
  legendEdges,
  numberFormats,
  pictureKinds,
  plotKinds,
  shownInks,
  type ElementKind,
  type OutputActionOf,
} from '@hum-lever/core';
import { useDocument } from '../../client/index.ts';
import { cssOf } from '../../outputs/screen/inks.ts';
import { Swatches } from '../../outputs/screen/Swatches.tsx';
import classes from '../../outputs/screen/Swatches.module.css';
import type { SlotsBy } from '../../outputs/slotsBy.ts';
import { Choice, DurationField, useAsProse, WhileWriting } from '../../shared/index.ts';
import { ExpressionSlot, PlainSlot, VariableSlot } from '../../slots/index.ts';
import { Signs, withSign } from './Signs.tsx';

type Element = OutputActionOf<ElementKind>;
type Written = OutputActionOf<'drawText' | 'drawNumber' | 'drawWord'>;
type Put<A> = (action: A) => string | null;

type Placed = Extract<Element, { x: string }>;
/** Where it stands, in pixels from the upper left corner. */
const Place = <A extends Placed>({ action, put }: { action: A; put: Put<A> }) => (
  <>
    at
    <ExpressionSlot short label="From the left" value={action.x} commit={(x) => put({ ...action, x })} />
    across,
    <ExpressionSlot short label="From the top" value={action.y} commit={(y) => put({ ...action, y })} />
    down
  </>
);

const Size = <A extends OutputActionOf<'drawBar' | 'drawBox' | 'drawPlot' | 'drawWave'>>({
  action,
  put,
}: {
  action: A;
  put: Put<A>;
}) => (
  <>
    ,
    <ExpressionSlot short label="Width" value={action.width} commit={(width) => put({ ...action, width })} />
    wide,
    <ExpressionSlot
      short
      label="Height"
      value={action.height}
      commit={(height) => put({ ...action, height })}
    />
    high
  </>
);

const always = '1';
const usualInk = '1';
const blinkWords: Record<(typeof blinkings)[number], string> = {
  steady: 'without blinking',
  slow: 'blinking once a second',
  fast: 'blinking twice a second',
};

/** In which of its display's inks it is drawn. */
function Ink<A extends Element>({ action, put }: { action: A; put: Put<A> }) {
  const { outputs } = useDocument();
  const screen = outputs.find(({ id }) => id === action.outputId);
  const reading = useAsProse();
  if (screen?.kind !== 'screen' || (reading && action.ink === usualInk)) return null;
  const inks = shownInks(screen).map((colour, ink) => ({ ink, colour }));
  const chosen = /^\d+$/.test(action.ink.trim()) ? Number(action.ink) : null;
  const shown = chosen === null ? undefined : inks[Math.min(chosen, inks.length - 1)];
  return (
    <>
      {' '}
      in ink
      {reading && shown && (
        <span aria-hidden className={classes.patch} style={{ background: cssOf(shown.colour) }} />
      )}
      <ExpressionSlot
        short
        label="Ink, a number"
        value={action.ink}
        commit={(ink) => put({ ...action, ink: ink.trim() === '' ? usualInk : ink })}
      />
      {!reading && (
        <Swatches
          label="Inks"
          inks={inks}
          chosen={chosen}
          choose={(ink) => put({ ...action, ink: String(ink) })}
        />
      )}
    </>
  );
}

const never = '0';
type Known = OutputActionOf<'drawNumber' | 'drawWord' | 'drawBar' | 'drawDial' | 'drawPlot'>;

/** When its value is none, and what stands there then; where it always is one, nothing is said of it while it is read. */
function Unknown<A extends Known>({ action, put }: { action: A; put: Put<A> }) {
  const reading = useAsProse();
  if (reading && action.unknownIf === never) return null;
  return (
    <>
      {' '}
      not known if
      <ExpressionSlot
        label="Not known if"
        value={action.unknownIf}
        commit={(unknownIf) => put({ ...action, unknownIf: unknownIf.trim() === '' ? never : unknownIf })}
      />
      {'instead' in action && (
        <>
          then
          <PlainSlot
            label="What stands there then"
            value={action.instead}
            commit={(instead) => put({ ...action, instead })}
          />
        </>
      )}
    </>
  );
}

const usualPeakMs = 1_500;

/** How long a mark stays where a bar was filled to at most; where there is none, nothing is said of it while it is read. */
function Peak({ action, put }: { action: OutputActionOf<'drawBar'>; put: Put<OutputActionOf<'drawBar'>> }) {
  const { peakMs } = action;
  if (useAsProse() && peakMs === 0) return null;
  return (
    <>
      {' '}
      <Choice
        label="Mark of the most"
        data={[
          { value: 'none', label: 'without a mark of the most' },
          { value: 'marked', label: 'with a mark of the most, for' },
        ]}
        value={peakMs === 0 ? 'none' : 'marked'}
        choose={(mark) => put({ ...action, peakMs: mark === 'none' ? 0 : usualPeakMs })}
      />
      {peakMs > 0 && (
        <MillisecondsSlot
          label="How long the mark stays"
          value={peakMs}
          commit={(value) => put({ ...action, peakMs: value })}
        />
      )}
    </>
  );
}

/** In which ink, whether it blinks, and while what holds; of what is usual nothing is said while it is read. */
function Seen<A extends Element>({ action, put }: { action: A; put: Put<A> }) {
  const reading = useAsProse();
  return (
    <>
      <Ink action={action} put={put} />
      {!(reading && action.blinks === 'steady') && (
        <Choice
          label="Blinking"
          data={blinkings.map((value) => ({ value, label: blinkWords[value] }))}
          value={action.blinks}
          choose={(blinks) => put({ ...action, blinks })}
        />
      )}
      {!(reading && action.onlyIf === always) && (
        <>
          {' '}
          only if
          <ExpressionSlot
            label="Only if"
            value={action.onlyIf}
            commit={(onlyIf) => put({ ...action, onlyIf: onlyIf.trim() === '' ? always : onlyIf })}
          />
        </>
      )}
    </>
  );
}

const alignWords: Record<(typeof aligns)[number], string> = {
  left: 'beginning',
  centre: 'centred',
  right: 'ending',
};

/** What it stands on; where that is dark, nothing is said of it while it is read. */
function Ground<A extends Written | OutputActionOf<'drawLegends'>>({
  action,
  put,
}: {
  action: A;
  put: Put<A>;
}) {
  const reading = useAsProse();
  const inCharacters = useInCharacters(action);
  if (inCharacters || (reading && !action.inverted)) return null;
  return (
    <Choice
      label="Ground"
      data={[
        { value: 'dark', label: 'on dark' },
        { value: 'lit', label: 'on a lit ground' },
      ]}
      value={action.inverted ? 'lit' : 'dark'}
      choose={(ground) => put({ ...action, inverted: ground === 'lit' })}
    />
  );
}

/** Whether it stands on a display of characters, which have one shape and colour. */
const useInCharacters = ({ outputId }: { outputId: string }): boolean =>
  useDocument().outputs.some(({ id, kind }) => id === outputId && kind === 'text');

/** In which font; characters of a display have none. */
function InFont<A extends Extract<Element, { font: string }>>({ action, put }: { action: A; put: Put<A> }) {
  return useInCharacters(action) ? null : (
    <>
      in <Font value={action.font} choose={(font) => put({ ...action, font })} />
    </>
  );
}

/** Signs that the font has; what a display of characters has is for its sheet to say. */
function FontSigns<A extends Extract<Element, { font: string }>>({
  action,
  add,
}: {
  action: A;
  add: (sign: string) => void;
}) {
  return useInCharacters(action) ? null : <Signs font={action.font} put={add} />;
}

function Font({ value, choose }: { value: string; choose: (font: string) => void }) {
  const { fonts } = useDocument();
  const builtIn = fontNames.map((name) => ({ value: name, label: name.replace('x', ' × ') }));
  return (
    <Choice<string>
      label="Font"
      data={[...builtIn, ...fonts.map(({ id, name }) => ({ value: id, label: name }))]}
      value={value}
      choose={choose}
    />
  );
}

/** What it shows of a value, from where to where. */
const Range = <A extends OutputActionOf<'drawBar' | 'drawDial' | 'drawPlot'>>({
  action,
  put,
}: {
  action: A;
  put: Put<A>;
}) => (
  <>
    <ExpressionSlot label="Value" value={action.value} commit={(value) => put({ ...action, value })} />
    from <ExpressionSlot short label="Least" value={action.low} commit={(low) => put({ ...action, low })} />
    to <ExpressionSlot short label="Most" value={action.high} commit={(high) => put({ ...action, high })} />
  </>
);

const Writing = <A extends Written>({ action, put }: { action: A; put: Put<A> }) => (
  <>
    <InFont action={action} put={put} />
    <Choice
      label="Aligned"
      data={aligns.map((value) => ({ value, label: alignWords[value] }))}
      value={action.align}
      choose={(align) => put({ ...action, align })}
    />
    <Place action={action} put={put} />
    <Ground action={action} put={put} />
  </>
);

const pictureWords: Record<(typeof pictureKinds)[number], string> = {
  over: 'over what is there',
  whole: 'dark pixels too',
  cleared: 'cut out of it',
  inverted: 'turning it over',
};

function PictureChoice({ value, choose }: { value: string; choose: (id: string) => void }) {
  const { pictures } = useDocument();
  return (
    <Choice
      label="Picture"
      data={pictures.map(({ id, name }) => ({ value: id, label: name }))}
      value={value}
      choose={choose}
    />
  );
}

/** Words side by side, by their number from 0. */
const Words = ({
  words,
  commit,
}: {
  words: readonly string[];
  commit: (words: string[]) => string | null;
}) => (
  <PlainSlot
    wide
    label="Words, from 0, with / between them"
    value={words.join(' / ')}
    commit={(text) => commit(text.split('/').map((word) => word.trim()))}
  />
);

const MillisecondsSlot = ({
  label,
  value,
  commit,
}: {
  label: string;
  value: number;
  commit: (ms: number) => string | null;
}) => (
  <DurationField
    label=""
    aria-label={label}
    width={92}
    value={value * 1_000}
    commit={(us) => commit(Math.round(us / 1_000))}
  />
);

const formatWords: Record<(typeof numberFormats)[number], string> = {
  plain: 'as a number',
  noughts: 'with noughts in front',
  tenths: 'with tenths (123 is 12.3)',
  hundredths: 'with hundredths (123 is 1.23)',
  signed: 'with its sign',
  clock: 'as minutes and seconds',
  stopwatch: 'as seconds, of milliseconds',
};
/** How a number is written; as it is, and as long as it is, go without saying while it is read. */
function Format({
  action,
  put,
}: {
  action: OutputActionOf<'drawNumber'>;
  put: Put<OutputActionOf<'drawNumber'>>;
}) {
  const reading = useAsProse();
  return (
    <>
      {!(reading && action.format === 'plain') && (
        <Choice
          label="Format"
          data={numberFormats.map((value) => ({ value, label: formatWords[value] }))}
          value={action.format}
          choose={(format) => put({ ...action, format })}
        />
      )}
      {!(reading && action.places === 0) && (
        <Choice
          label="Places"
          data={Array.from({ length: 13 }, (_, n) => ({
            value: String(n),
            label: n === 0 ? 'as long as it is' : n === 1 ? '1 place' : `${n} places`,
          }))}
          value={String(action.places)}
          choose={(places) => put({ ...action, places: Number(places) })}
        />
      )}
    </>
  );
}

const growthWords: Record<(typeof growths)[number], string> = {
  right: 'grows to the right',
  left: 'grows to the left',
  up: 'grows upwards',
  down: 'grows downwards',
};
const boxWords: Record<(typeof boxKinds)[number], string> = {
  outline: 'a frame',
  filled: 'a filled box',
  cleared: 'a cleared box',
  inverted: 'an inverted box',
};
const dialWords: Record<(typeof dialKinds)[number], string> = {
  needle: 'a needle',
  arc: 'an arc',
  ring: 'a ring',
  pie: 'a slice of a disc',
};
const edgeWords: Record<(typeof legendEdges)[number], string> = {
  bottom: 'along the lower edge',
  top: 'along the upper edge',
  left: 'down the left side',
  right: 'down the right side',
};
const plotWords: Record<(typeof plotKinds)[number], string> = {
  line: 'a line',
  dots: 'dots',
  columns: 'columns',
};
/** How finely a bar is filled. */
const blockCounts = [0, 2, 3, 4, 5, 6, 8, 10, 12, 16, 20, 24, 32];
const blocksSaid = (blocks: number) => (blocks === 0 ? 'pixel by pixel' : `in ${blocks} blocks`);
/** How long a text that runs stays where it is. */
function Step({
  action,
  put,
}: {
  action: OutputActionOf<'drawRunning'>;
  put: Put<OutputActionOf<'drawRunning'>>;
}) {
  const step = useInCharacters(action) ? 'a place' : 'a pixel';
  return (
    <>
      {step} every
      <MillisecondsSlot
        label={`${step.charAt(0).toUpperCase()}${step.slice(1)} every`}
        value={action.stepMs}
        commit={(stepMs) => put({ ...action, stepMs })}
      />
    </>
  );
}

/** Places of characters are filled or not. */
function Filled({ action, put }: { action: OutputActionOf<'drawBar'>; put: Put<OutputActionOf<'drawBar'>> }) {
  return useInCharacters(action) ? null : (
    <Choice
      label="Filled"
      data={[...new Set([...blockCounts, action.blocks])].map((blocks) => ({
        value: String(blocks),
        label: blocksSaid(blocks),
      }))}
      value={String(action.blocks)}
      choose={(blocks) => put({ ...action, blocks: Number(blocks) })}
    />
  );
}
/** What stands on pages, as sentences with slots. */
export const elementSlots: SlotsBy<ElementKind> = {
  drawText: ({ action, put }) => (
    <>
      <ExpressionSlot
        template
        label="Text, with expressions in braces"
        value={action.text}
        commit={(text) => put({ ...action, text })}
      />
      <FontSigns action={action} add={(sign) => put({ ...action, text: withSign(action.text, sign) })} />
      <Writing action={action} put={put} />
      <Seen action={action} put={put} />
    </>
  ),
  drawNumber: ({ action, put }) => (
    <>
      <ExpressionSlot label="Value" value={action.value} commit={(value) => put({ ...action, value })} />
      <Format action={action} put={put} />
      <WhileWriting>
        unit
        <PlainSlot label="Unit" value={action.unit} commit={(unit) => put({ ...action, unit })} />
      </WhileWriting>
      <Writing action={action} put={put} />
      <Unknown action={action} put={put} />
      <Seen action={action} put={put} />
    </>
  ),
  drawWord: ({ action, put }) => (
    <>
      the word of
      <ExpressionSlot label="Value" value={action.value} commit={(value) => put({ ...action, value })} />
      among
      <Words words={action.words} commit={(words) => put({ ...action, words })} />
      <FontSigns action={action} add={(sign) => put({ ...action, words: [...action.words, sign] })} />
      <Writing action={action} put={put} />
      <Unknown action={action} put={put} />
      <Seen action={action} put={put} />
    </>
  ),
  drawList: ({ action, put }) => (
    <>
      the list
      <VariableSlot
        kinds={['texts']}
        value={action.variableId}
        choose={(variableId) => put({ ...action, variableId })}
      />
      with its cursor at
      <ExpressionSlot
        short
        label="Cursor"
        value={action.cursor}
        commit={(cursor) => put({ ...action, cursor })}
      />
      <InFont action={action} put={put} />
      <Place action={action} put={put} />,
      <ExpressionSlot
        short
        label="Width"
        value={action.width}
        commit={(width) => put({ ...action, width })}
      />
      wide,
      <Choice
        label="Rows in view"
        data={Array.from({ length: 16 }, (_, n) => ({
          value: String(n + 1),
          label: n === 0 ? '1 row' : `${n + 1} rows`,
        }))}
        value={String(action.rows)}
        choose={(rows) => put({ ...action, rows: Number(rows) })}
      />
      <Seen action={action} put={put} />
    </>
  ),
  drawRunning: ({ action, put }) => (
    <>
      a text that runs,
      <ExpressionSlot
        template
        label="Text, with expressions in braces"
        value={action.text}
        commit={(text) => put({ ...action, text })}
      />
      <FontSigns action={action} add={(sign) => put({ ...action, text: withSign(action.text, sign) })} />
      <InFont action={action} put={put} />
      <Place action={action} put={put} />,
      <ExpressionSlot
        short
        label="Width"
        value={action.width}
        commit={(width) => put({ ...action, width })}
      />
      wide, <Step action={action} put={put} />
      <Seen action={action} put={put} />
    </>
  ),
  drawLegends: ({ action, put }) => (
    <>
      legends
      <Words words={action.words} commit={(words) => put({ ...action, words })} />
      <FontSigns action={action} add={(sign) => put({ ...action, words: [...action.words, sign] })} />
      <Choice
        label="Edge"
        data={legendEdges.map((value) => ({ value, label: edgeWords[value] }))}
        value={action.edge}
        choose={(edge) => put({ ...action, edge })}
      />
      <InFont action={action} put={put} />
      <Ground action={action} put={put} />
      <Seen action={action} put={put} />
    </>
  ),
  drawPlot: ({ action, put }) => (
    <>
      <Choice
        label="Plot"
        data={plotKinds.map((value) => ({ value, label: plotWords[value] }))}
        value={action.how}
        choose={(how) => put({ ...action, how })}
      />
      of how <Range action={action} put={put} />
      went, taken every
      <MillisecondsSlot
        label="Taken every"
        value={action.everyMs}
        commit={(everyMs) => put({ ...action, everyMs })}
      />
      <Place action={action} put={put} />
      <Size action={action} put={put} />
      <Unknown action={action} put={put} />
      <Seen action={action} put={put} />
    </>
  ),
  drawWave: ({ action, put }) => (
    <>
      the wave of what sounds,
      <MillisecondsSlot
        label="From one end to the other"
        value={action.acrossUs / 1_000}
        commit={(ms) => put({ ...action, acrossUs: Math.round(ms * 1_000) })}
      />
      from end to end <Place action={action} put={put} />
      <Size action={action} put={put} />
      <Seen action={action} put={put} />
    </>
  ),
  drawDial: ({ action, put }) => (
    <>
      <Choice
        label="Dial"
        data={dialKinds.map((value) => ({ value, label: dialWords[value] }))}
        value={action.how}
        choose={(how) => put({ ...action, how })}
      />
      of <Range action={action} put={put} />
      centred <Place action={action} put={put} />, radius
      <ExpressionSlot
        short
        label="Radius"
        value={action.radius}
        commit={(radius) => put({ ...action, radius })}
      />
      <Unknown action={action} put={put} />
      <Seen action={action} put={put} />
    </>
  ),
  drawBar: ({ action, put }) => (
    <>
      a bar of <Range action={action} put={put} />
      <Place action={action} put={put} />
      <Size action={action} put={put} />
      <Choice
        label="Grows"
        data={growths.map((value) => ({ value, label: growthWords[value] }))}
        value={action.grows}
        choose={(grows) => put({ ...action, grows })}
      />
      <Choice
        label="Frame"
        data={[
          { value: 'framed', label: 'in a frame' },
          { value: 'bare', label: 'without a frame' },
        ]}
        value={action.framed ? 'framed' : 'bare'}
        choose={(frame) => put({ ...action, framed: frame === 'framed' })}
      />
      <Filled action={action} put={put} />
      <Peak action={action} put={put} />
      <Unknown action={action} put={put} />
      <Seen action={action} put={put} />
    </>
  ),
  drawPicture: ({ action, put }) => (
    <>
      frame
      <ExpressionSlot
        short
        label="Frame, from 0; beyond the last it begins again"
        value={action.frame}
        commit={(frame) => put({ ...action, frame })}
      />
      of
      <PictureChoice value={action.pictureId} choose={(pictureId) => put({ ...action, pictureId })} />
      <Place action={action} put={put} />
      <Choice
        label="How it lies on what is there"
        data={pictureKinds.map((value) => ({ value, label: pictureWords[value] }))}
        value={action.how}
        choose={(how) => put({ ...action, how })}
      />
      <Seen action={action} put={put} />
    </>
  ),
  drawBox: ({ action, put }) => (
    <>
      <Choice
        label="Box"
        data={boxKinds.map((value) => ({ value, label: boxWords[value] }))}
        value={action.how}
        choose={(how) => put({ ...action, how })}
      />
      <Place action={action} put={put} />
      <Size action={action} put={put} />
      <Seen action={action} put={put} />
    </>
  ),
  drawLine: ({ action, put }) => (
    <>
      a line <Place action={action} put={put} /> to
      <ExpressionSlot
        short
        label="End, from the left"
        value={action.toX}
        commit={(toX) => put({ ...action, toX })}
      />
      across,
      <ExpressionSlot
        short
        label="End, from the top"
        value={action.toY}
        commit={(toY) => put({ ...action, toY })}
      />
      down
      <Seen action={action} put={put} />
    </>
  ),
};
