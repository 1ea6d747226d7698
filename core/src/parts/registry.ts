// Written by scripts/registries.mjs from the files beside it; do not edit.
import { amplifierSpeaker } from './kinds/amplifierSpeaker.part.ts';
import { booster } from './kinds/booster.part.ts';
import { buzzer } from './kinds/buzzer.part.ts';
import { cell } from './kinds/cell.part.ts';
import { characterDisplay } from './kinds/characterDisplay.part.ts';
import { characterDisplayTwoWire } from './kinds/characterDisplayTwoWire.part.ts';
import { charger } from './kinds/charger.part.ts';
import { codeReceiver } from './kinds/codeReceiver.part.ts';
import { encoder } from './kinds/encoder.part.ts';
import { encoderPush } from './kinds/encoderPush.part.ts';
import { footSwitch } from './kinds/footSwitch.part.ts';
import { fuse } from './kinds/fuse.part.ts';
import { graphicDisplaySpi } from './kinds/graphicDisplaySpi.part.ts';
import { graphicDisplayTwoWire } from './kinds/graphicDisplayTwoWire.part.ts';
import { keyMatrix } from './kinds/keyMatrix.part.ts';
import { levelShifter } from './kinds/levelShifter.part.ts';
import { light } from './kinds/light.part.ts';
import { lightSensor } from './kinds/lightSensor.part.ts';
import { memoryCard } from './kinds/memoryCard.part.ts';
import { midiIn } from './kinds/midiIn.part.ts';
import { midiOut } from './kinds/midiOut.part.ts';
import { motionSensor } from './kinds/motionSensor.part.ts';
import { piezo } from './kinds/piezo.part.ts';
import { pinExpander } from './kinds/pinExpander.part.ts';
import { pixelLights } from './kinds/pixelLights.part.ts';
import { potentiometer } from './kinds/potentiometer.part.ts';
import { powerSwitch } from './kinds/powerSwitch.part.ts';
import { protectionDiode } from './kinds/protectionDiode.part.ts';
import { pushButton } from './kinds/pushButton.part.ts';
import { regulator } from './kinds/regulator.part.ts';
import { rgbLight } from './kinds/rgbLight.part.ts';
import { servo } from './kinds/servo.part.ts';
import { settingsMemory } from './kinds/settingsMemory.part.ts';
import { sevenSegment } from './kinds/sevenSegment.part.ts';
import { shiftIn } from './kinds/shiftIn.part.ts';
import { shiftOut } from './kinds/shiftOut.part.ts';
import { slideSwitch } from './kinds/slideSwitch.part.ts';
import { slider } from './kinds/slider.part.ts';
import { soundPlayer } from './kinds/soundPlayer.part.ts';
import { stick } from './kinds/stick.part.ts';
import { toggleSwitch } from './kinds/toggleSwitch.part.ts';
import { touchPad } from './kinds/touchPad.part.ts';
import { usbKeyboard } from './kinds/usbKeyboard.part.ts';
import { vibrationMotor } from './kinds/vibrationMotor.part.ts';

export const partList = [
  amplifierSpeaker,
  booster,
  buzzer,
  cell,
  characterDisplay,
  characterDisplayTwoWire,
  charger,
  codeReceiver,
  encoder,
  encoderPush,
  footSwitch,
  fuse,
  graphicDisplaySpi,
  graphicDisplayTwoWire,
  keyMatrix,
  levelShifter,
  light,
  lightSensor,
  memoryCard,
  midiIn,
  midiOut,
  motionSensor,
  piezo,
  pinExpander,
  pixelLights,
  potentiometer,
  powerSwitch,
  protectionDiode,
  pushButton,
  regulator,
  rgbLight,
  servo,
  settingsMemory,
  sevenSegment,
  shiftIn,
  shiftOut,
  slideSwitch,
  slider,
  soundPlayer,
  stick,
  toggleSwitch,
  touchPad,
  usbKeyboard,
  vibrationMotor,
] as const;
