// Written by scripts/registries.mjs from the files beside it; do not edit.
import { direct } from './schemes/direct.scheme.ts';
import { matrix } from './schemes/matrix.scheme.ts';
import { matrixDiodes } from './schemes/matrixDiodes.scheme.ts';
import { charlieplex } from './schemes/charlieplex.scheme.ts';
import { ladder } from './schemes/ladder.scheme.ts';
import { shiftRegister } from './schemes/shiftRegister.scheme.ts';
import { expander } from './schemes/expander.scheme.ts';
import { oneLine } from './schemes/oneLine.scheme.ts';

export const schemeList = [direct, matrix, matrixDiodes, charlieplex, ladder, shiftRegister, expander, oneLine] as const;
