// Written by scripts/registries.mjs from the files beside it; do not edit.
import { light } from '../light/light.document.ts';
import { text } from '../screen/text.document.ts';
import { screen } from '../screen/screen.document.ts';
import { tone } from '../sound/tone.document.ts';
import { servo } from '../motion/servo.document.ts';
import { motor } from '../motion/motor.document.ts';
import { midi } from '../midi/midi.document.ts';
import { typist } from '../typing/typist.document.ts';
import { lights } from '../lights/lights.document.ts';
import { line } from '../switching/line.document.ts';
import { serial } from '../serial/serial.document.ts';
import { setting } from '../module/setting.document.ts';
import { player } from '../sound/player.document.ts';

export const outputDocuments = [light, text, screen, tone, servo, motor, midi, typist, lights, line, serial, setting, player] as const;
