export { editGadget, printGadget, readGadget, readGadgetText, type Read } from './gadgetDocument.ts';
