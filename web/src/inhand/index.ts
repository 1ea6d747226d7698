export { InHand } from './InHand.tsx';
export { setMuted, sounding, useSound } from './audio.ts';
export { useRecording } from './useRecording.ts';
