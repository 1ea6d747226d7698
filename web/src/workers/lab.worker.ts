import {
  boardOf,
  checkGadget,
  compareBoards,
  compareSchemes,
  layWiring,
  measureSetting,
  pressEdges,
  runTrial,
  waysOut,
  human,
  type Button,
  type Clash,
  type DebounceSetting,
  type Gadget,
} from '@hum-lever/core';
import { expose } from 'comlink';

/** Presses per measurement on the Feel sheet. */
const measured = 500;
const labSeed = 0x1ab;

/** Computations that may take longer than a frame. */
const lab = {
  check: checkGadget,
  lay(gadget: Gadget) {
    const board = boardOf(gadget);
    return board && layWiring(gadget, board);
  },
  waysOut(gadget: Gadget, clashes: Clash[], setName: string) {
    const board = boardOf(gadget);
    return board ? waysOut(gadget, board, clashes, setName) : [];
  },
  schemes: (gadget: Gadget, keys: string[], name: string) =>
    compareSchemes(gadget, boardOf(gadget), keys, name),
  boards: compareBoards,
  trial: runTrial,
  /** How settings do on the same presses of one button's own switch. */
  measure(button: Button, settings: DebounceSetting[], periodUs: number) {
    const presses = Array.from({ length: measured }, (_, press) =>
      pressEdges(button.contact, human.ordinaryPressUs, labSeed, 0, press),
    );
    return settings.map((setting) => measureSetting(setting, periodUs, presses));
  },
};

export type Lab = typeof lab;
expose(lab);
