// Written by scripts/registries.mjs from the files beside it; do not edit.
import type { SnagRule } from '../gadget/index.ts';
import { F01 } from '../debounce/F01.snag.ts';
import { F02 } from '../debounce/F02.snag.ts';
import { F03 } from '../gesture/F03.snag.ts';
import { F04 } from '../gesture/F04.snag.ts';
import { F12 } from '../flow/snags/F12.snag.ts';
import { L01 } from '../flow/snags/L01.snag.ts';
import { L02 } from '../flow/snags/L02.snag.ts';
import { L03 } from '../flow/snags/L03.snag.ts';
import { L05 } from '../flow/snags/L05.snag.ts';
import { L13 } from '../flow/snags/L13.snag.ts';
import { S01 } from '../screen/S01.snag.ts';
import { X01 } from '../flow/snags/X01.snag.ts';

export const snagRules: readonly SnagRule[] = [F01, F02, F03, F04, F12, L01, L02, L03, L05, L13, S01, X01];
