export { valueWords } from './valueWords.ts';
export { changeWords } from './changeWords.ts';
export { itemWords, roleWords, schemeWords } from './menuWords.ts';
export { editWords } from './editWords.ts';
export { levelWords, sayingOf } from './snagWords.ts';
export { codeWords, gestureWords } from './gestureWords.ts';
export { byHand, mostTelling, namesOf, sayWhy, stageOf } from './traceWords.ts';
export {
  clashWords,
  keyPlaceWords,
  needWords,
  ownEndWords,
  partGroupWords,
  refusedWords,
} from './partWords.ts';
export { knownReadings, readingWords } from './readingWords.ts';
export { addressWords, schemeTitle } from './wiringSnagWords.ts';
export { methodName, paramFields, paramWords, settingWords, showParam } from './settingWords.ts';
export { visionWords } from './visionWords.ts';
export { sayStill, slowWords } from './stillWords.ts';
