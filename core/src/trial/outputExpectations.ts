// Written by scripts/registries.mjs from the files beside it; do not edit.
import { light } from '../light/light.expectation.ts';
import { text } from '../screen/text.expectation.ts';
import { screen } from '../screen/screen.expectation.ts';
import { tone } from '../sound/tone.expectation.ts';
import { servo } from '../motion/servo.expectation.ts';
import { motor } from '../motion/motor.expectation.ts';
import { midi } from '../midi/midi.expectation.ts';
import { typist } from '../typing/typist.expectation.ts';
import { lights } from '../lights/lights.expectation.ts';
import { line } from '../switching/line.expectation.ts';
import { serial } from '../serial/serial.expectation.ts';
import { setting } from '../module/setting.expectation.ts';
import { player } from '../sound/player.expectation.ts';

export const outputExpectations = [light, text, screen, tone, servo, motor, midi, typist, lights, line, serial, setting, player] as const;
