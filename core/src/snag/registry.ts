// Written by scripts/registries.mjs from the files beside it; do not edit.
import type { SnagRule } from '../gadget/index.ts';
import { F01 } from '../debounce/F01.snag.ts';
import { F02 } from '../debounce/F02.snag.ts';
import { F03 } from '../gesture/F03.snag.ts';
import { F04 } from '../gesture/F04.snag.ts';
import { F12 } from '../flow/snags/F12.snag.ts';
import { G01 } from '../brief/G01.snag.ts';
import { G02 } from '../brief/G02.snag.ts';
import { G03 } from '../wiring/snags/G03.snag.ts';
import { K01 } from '../wiring/snags/K01.snag.ts';
import { K03 } from '../wiring/snags/K03.snag.ts';
import { K04 } from '../wiring/snags/K04.snag.ts';
import { L01 } from '../flow/snags/L01.snag.ts';
import { L02 } from '../flow/snags/L02.snag.ts';
import { L03 } from '../flow/snags/L03.snag.ts';
import { L05 } from '../flow/snags/L05.snag.ts';
import { L13 } from '../flow/snags/L13.snag.ts';
import { N04 } from '../wiring/snags/N04.snag.ts';
import { N07 } from '../wiring/snags/N07.snag.ts';
import { P05 } from '../wiring/snags/P05.snag.ts';
import { P07 } from '../wiring/snags/P07.snag.ts';
import { P11 } from '../wiring/snags/P11.snag.ts';
import { S01 } from '../screen/S01.snag.ts';
import { W01 } from '../wiring/snags/W01.snag.ts';
import { W02 } from '../wiring/snags/W02.snag.ts';
import { W03 } from '../wiring/snags/W03.snag.ts';
import { W04 } from '../wiring/snags/W04.snag.ts';
import { W05 } from '../wiring/snags/W05.snag.ts';
import { W06 } from '../wiring/snags/W06.snag.ts';
import { W07 } from '../wiring/snags/W07.snag.ts';
import { W08 } from '../wiring/snags/W08.snag.ts';
import { W09 } from '../wiring/snags/W09.snag.ts';
import { W10 } from '../wiring/snags/W10.snag.ts';
import { W11 } from '../wiring/snags/W11.snag.ts';
import { W12 } from '../wiring/snags/W12.snag.ts';
import { W13 } from '../wiring/snags/W13.snag.ts';
import { W14 } from '../wiring/snags/W14.snag.ts';
import { W15 } from '../wiring/snags/W15.snag.ts';
import { W16 } from '../wiring/snags/W16.snag.ts';
import { W17 } from '../wiring/snags/W17.snag.ts';
import { W18 } from '../wiring/snags/W18.snag.ts';
import { W19 } from '../wiring/snags/W19.snag.ts';
import { X01 } from '../flow/snags/X01.snag.ts';

export const snagRules: readonly SnagRule[] = [
  F01,
  F02,
  F03,
  F04,
  F12,
  G01,
  G02,
  G03,
  K01,
  K03,
  K04,
  L01,
  L02,
  L03,
  L05,
  L13,
  N04,
  N07,
  P05,
  P07,
  P11,
  S01,
  W01,
  W02,
  W03,
  W04,
  W05,
  W06,
  W07,
  W08,
  W09,
  W10,
  W11,
  W12,
  W13,
  W14,
  W15,
  W16,
  W17,
  W18,
  W19,
  X01,
];
