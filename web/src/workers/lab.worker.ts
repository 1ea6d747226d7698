import {
  checkGadget,
  measureSetting,
  pressEdges,
  runTrial,
  human,
  type Button,
  type DebounceSetting,
} from '@hum-lever/core';
import { expose } from 'comlink';

/** Presses per measurement on the Feel sheet. */
const measured = 500;
const labSeed = 0x1ab;

/** Computations that may take longer than a frame. */
const lab = {
  check: checkGadget,
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
