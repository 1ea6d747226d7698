import { LiveMachine } from './live.ts';
import { epochMs, type Command } from './protocol.ts';

let timer: ReturnType<typeof setTimeout> | undefined;

const live = new LiveMachine({
  nowMs: () => epochMs(performance.now()),
  post: (report) => postMessage(report),
  wakeAfter(ms, wake) {
    clearTimeout(timer);
    timer = setTimeout(wake, ms);
  },
});

addEventListener('message', ({ data }: MessageEvent<Command>) => live.obey(data));
