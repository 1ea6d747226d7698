export { ReadingNow } from './ReadingNow.tsx';
export { useNear } from './useNear.ts';
export { BarIcon, ThemeButton } from './BarIcon.tsx';
export { CompletingInput } from './CompletingInput.tsx';
export { onDemand, optional } from './onDemand.tsx';
export { OfferingInput, OfferList } from './OfferingInput.tsx';
export { CompletingField, DurationField, NumberField, RowField, TextField, type Typed } from './fields.tsx';
export { reading, refusal, typedExpression, typedGuard, typedTemplate } from './typedText.ts';
export { PickFile } from './PickFile.tsx';
export { begin, Prose } from './Prose.tsx';
export { ProseField } from './ProseField.tsx';
export { AsProse, useAsProse, WhileWriting, Word } from './asProse.tsx';
export { Choice } from './Choice.tsx';
export { FirstStep, SheetFrame } from './SheetFrame.tsx';
export { StageIcon, stages, type Stage } from './stages.tsx';
export { TimeAxis, tickStep } from './TimeAxis.tsx';
export { useEver } from './useEver.ts';
export { goTo, showMade, useFound, usePlace } from './usePlace.ts';
export { keyName } from './keyNames.ts';
export {
  count,
  msToUs,
  showBytes,
  showCurrent,
  showDate,
  showDuration,
  showOnScale,
  showHz,
  showMessage,
  showMoment,
  showMoney,
  showOhms,
  showVolts,
  usToMs,
} from './units.ts';
export { light, useIsLit } from './lit.ts';
export { FigureField, figureMeta } from './FigureField.tsx';
export { saveFile } from './saveFile.ts';
export { useFingers } from './useFingers.ts';
export { outside, readTime, showTime, wantedLength, wantedTime } from './times.ts';
