/// <reference lib="webworker" />
import { answering } from './answering';
import { forecastWork } from './forecast-work';

addEventListener('message', answering(forecastWork));
