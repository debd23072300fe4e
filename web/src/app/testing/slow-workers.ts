import { TestBed } from '@angular/core/testing';
import { SlowWorker } from './slow-worker';

/**
 * In a describe: workers that answer when they are told to, under a clock that goes on when it is told to.
 *
 * @returns lets what has changed be seen, and the hand rest for so long
 */
export function withSlowWorkers(): (ms?: number) => void {
  const real = globalThis.Worker;
  beforeEach(() => {
    jasmine.clock().install();
    globalThis.Worker = SlowWorker as unknown as typeof Worker;
    SlowWorker.last = null;
    SlowWorker.hired = 0;
  });
  afterEach(() => {
    try {
      TestBed.resetTestingModule();
    } finally {
      globalThis.Worker = real;
      jasmine.clock().uninstall();
    }
  });
  return (ms = 0) => {
    TestBed.tick();
    jasmine.clock().tick(ms);
  };
}
