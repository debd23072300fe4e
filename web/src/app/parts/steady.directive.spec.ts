import { ChangeDetectionStrategy, Component, provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { SteadyDirective } from './steady.directive';

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SteadyDirective],
  template: `<p [ksSteady]="moving()" style="margin: 0">
    @for (line of lines(); track $index) {
      <span style="display: block; height: 20px">{{ line }}</span>
    }
  </p>`,
})
class SentenceComponent {
  readonly moving = signal(false);
  readonly lines = signal(['one', 'two']);
}

describe('a sentence over something that is dragged', () => {
  it('does not get lower while the hand moves, may get higher, and is as it needs to be afterwards', async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(SentenceComponent);
    const { moving, lines } = fixture.componentInstance;
    const element = (fixture.nativeElement as HTMLElement).querySelector('p')!;
    const height = async () => {
      await fixture.whenStable();
      // The browser tells of sizes once a frame.
      await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
      return element.offsetHeight;
    };
    expect(await height()).toBe(40);
    moving.set(true);
    lines.set(['one']);
    expect(await height()).toBe(40);
    lines.set(['one', 'two', 'three']);
    expect(await height()).toBe(60);
    lines.set(['one']);
    expect(await height()).toBe(60);
    moving.set(false);
    expect(await height()).toBe(20);
    lines.set(['one', 'two']);
    expect(await height()).toBe(40);
  });
});
