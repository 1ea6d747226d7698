export { editGadget, printGadget, readGadget, readGadgetText, type Read } from './gadgetDocument.ts';
export { printBillCsv, readBillCsv } from './billCsv.ts';
export { printBoardJson, printPinsCsv, readBoardJson, readPinsCsv } from './boardFile.ts';
export { type CsvFault, type CsvRead } from './csv.ts';
export { printWiringCsv } from './wiringCsv.ts';
