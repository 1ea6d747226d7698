// Written by scripts/registries.mjs from the files beside it; do not edit.
import { chip8 } from './boards/chip8.board.ts';
import { computer } from './boards/computer.board.ts';
import { flex32 } from './boards/flex32.board.ts';
import { large8 } from './boards/large8.board.ts';
import { native8 } from './boards/native8.board.ts';
import { radio32 } from './boards/radio32.board.ts';
import { radioSmall } from './boards/radioSmall.board.ts';
import { small32 } from './boards/small32.board.ts';
import { small8 } from './boards/small8.board.ts';

export const boardList = [chip8, computer, flex32, large8, native8, radio32, radioSmall, small32, small8] as const;
