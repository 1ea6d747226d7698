export { InHand } from './InHand.tsx';
export { setMuted, useSound } from './audio.ts';
export { useRecording } from './useRecording.ts';
