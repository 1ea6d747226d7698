// Written by scripts/registries.mjs from the files beside it; do not edit.
import { light } from '../light/light.output.ts';
import { text } from '../screen/text.output.ts';
import { screen } from '../screen/screen.output.ts';
import { tone } from '../sound/tone.output.ts';
import { servo } from '../motion/servo.output.ts';
import { motor } from '../motion/motor.output.ts';
import { midi } from '../midi/midi.output.ts';
import { typist } from '../typing/typist.output.ts';
import { lights } from '../lights/lights.output.ts';
import { line } from '../switching/line.output.ts';
import { serial } from '../serial/serial.output.ts';
import { setting } from '../module/setting.output.ts';
import { player } from '../sound/player.output.ts';

export const outputList = [light, text, screen, tone, servo, motor, midi, typist, lights, line, serial, setting, player] as const;
