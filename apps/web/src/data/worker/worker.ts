import { knowCrops, type OwnCrop } from '@fanega/core';
import { TASKS } from './tasks';

self.onmessage = async ({
  data,
}: MessageEvent<{ id: number; task: keyof typeof TASKS; input: never; crops: readonly OwnCrop[] }>) => {
  knowCrops(data.crops);
  try {
    const answer = await TASKS[data.task](data.input, (done) => self.postMessage({ id: data.id, done }));
    self.postMessage({ id: data.id, answer });
  } catch (error) {
    self.postMessage({ id: data.id, error: error instanceof Error ? error.message : String(error) });
  }
};
