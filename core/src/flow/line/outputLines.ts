// Written by scripts/registries.mjs from the files beside it; do not edit.
import { light } from '../../light/light.line.ts';
import { text } from '../../screen/text.line.ts';
import { screen } from '../../screen/screen.line.ts';
import { tone } from '../../sound/tone.line.ts';
import { servo } from '../../motion/servo.line.ts';
import { motor } from '../../motion/motor.line.ts';
import { midi } from '../../midi/midi.line.ts';
import { typist } from '../../typing/typist.line.ts';
import { lights } from '../../lights/lights.line.ts';
import { line } from '../../switching/line.line.ts';
import { serial } from '../../serial/serial.line.ts';
import { setting } from '../../module/setting.line.ts';
import { player } from '../../sound/player.line.ts';

export const outputLines = [light, text, screen, tone, servo, motor, midi, typist, lights, line, serial, setting, player] as const;
