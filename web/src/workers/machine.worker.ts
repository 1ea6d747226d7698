import { LiveMachine, type Host } from './live.ts';
import { epochMs, type WorkerCommand } from './protocol.ts';

let timer: ReturnType<typeof setTimeout> | undefined;

const host: Host = {
  nowMs: () => epochMs(performance.now()),
  post: (report) => postMessage(report),
  wakeAfter(ms, wake) {
    clearTimeout(timer);
    timer = setTimeout(wake, ms);
  },
};
const live = new LiveMachine(host);

addEventListener('message', ({ data }: MessageEvent<WorkerCommand>) => {
  if (data.kind !== 'soundTo') return live.obey(data);
  // Straight to the loudspeaker: a page that is busy delays no note.
  const { port } = data;
  host.sound = (moments, fromMs) => port.postMessage({ moments, fromMs });
  live.listen();
});
