/// <reference lib="webworker" />
import { speakIn } from '@knapsack/core';
import { answering } from './answering';
import { forecastWork } from './forecast-work';
import type { WorkerName } from './hire';

speakIn((JSON.parse(self.name) as WorkerName).habits);
addEventListener('message', answering(forecastWork));
