export { BarIcon, ThemeButton } from './BarIcon.tsx';
export { DurationField, NumberField, ProseField, RowField, TextField, type Commit } from './fields.tsx';
export { Choice } from './Choice.tsx';
export { FirstStep, SheetFrame } from './SheetFrame.tsx';
export { StageChip, StageIcon, stages, stageWords, type Stage } from './stages.tsx';
export { TimeAxis, tickStep } from './TimeAxis.tsx';
export { goTo, useFound, usePlace } from './usePlace.ts';
export { keyName } from './keyNames.ts';
export { count, msToUs, showDate, showDuration, showHz, showMoment, usToMs } from './units.ts';
