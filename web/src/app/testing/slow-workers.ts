import { TestBed } from '@angular/core/testing';
import type { Hired } from '../work/head-start';
import { Thread } from '../work/thread';
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
    spyOn(Thread.prototype, 'desk').and.callFake(() => new SlowWorker() as unknown as Hired);
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
