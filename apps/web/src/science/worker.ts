import { TASKS } from './tasks';

self.onmessage = ({ data }: MessageEvent<{ id: number; task: keyof typeof TASKS; input: never }>) => {
  try {
    self.postMessage({ id: data.id, answer: TASKS[data.task](data.input) });
  } catch (error) {
    self.postMessage({ id: data.id, error: error instanceof Error ? error.message : String(error) });
  }
};
