export { editGadget, printGadget, readGadget, type Read } from './gadgetDocument.ts';
export { printGadgetFile, readGadgetFile, readGadgetText, type FilePicture } from './gadgetFile.ts';
export { printCardFolder } from './cardFolder.ts';
export { printSampleTable } from './sampleTable.ts';
export { printTuneTable } from './tuneTable.ts';
export { printWav } from './wav.ts';
export { printBillCsv, readBillCsv } from './billCsv.ts';
export { printBoardJson, printPinsCsv, readBoardJson, readPinsCsv } from './boardFile.ts';
export { type CsvFault, type CsvRead } from './csv.ts';
export { printWiringCsv } from './wiringCsv.ts';
export { printCodesCsv, readCodesCsv } from './codesCsv.ts';
export {
  printTraceCsv,
  printVcd,
  readSamples,
  readTraceCsv,
  readVcd,
  timeUnits,
  traceKindOf,
  type ReadTraces,
  type TimeUnit,
  type TraceKind,
  type TraceRead,
} from './traces.ts';
export { printGridCsv } from './gridCsv.ts';
export { printScxml } from './scxml.ts';
export { readScxml, type ScxmlNote, type ScxmlRead } from './scxmlRead.ts';
