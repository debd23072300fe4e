import {
  ApplicationRef,
  ChangeDetectionStrategy,
  Component,
  provideZonelessChangeDetection,
  signal,
} from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { afterFirstDraw } from './after-first-draw';

const answer = signal(false);
/** What stood on the page at each draw. */
let drawn: string[] = [];

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `{{ told() }}`,
})
class PictureComponent {
  private readonly isDrawn = afterFirstDraw(answer);
  protected told(): string {
    drawn.push(`${answer() ? 'verdict' : 'waits'}${this.isDrawn() ? ', picture' : ''}`);
    return drawn.at(-1)!;
  }
}

describe('what takes long to draw', () => {
  /** @param meanwhile what comes while the page is drawn for the first time, and is heard as soon as it stands */
  const open = async (meanwhile: () => void = () => undefined) => {
    const fixture = TestBed.createComponent(PictureComponent);
    setTimeout(meanwhile);
    TestBed.inject(ApplicationRef).tick();
    await new Promise((resolve) => setTimeout(resolve, 50));
    await fixture.whenStable();
    fixture.destroy();
  };

  beforeEach(() => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    answer.set(false);
    drawn = [];
  });

  it('is drawn while what is read first is on its way', async () => {
    await open();
    expect(drawn).toEqual(['waits', 'waits, picture']);
  });

  it('comes after it where that came with the first draw', async () => {
    answer.set(true);
    await open();
    expect(drawn).toEqual(['verdict', 'verdict, picture']);
  });

  it('waits until it is drawn where it came during the first draw', async () => {
    await open(() => answer.set(true));
    expect(drawn).toEqual(['waits', 'verdict', 'verdict, picture']);
  });

  it('is not asked for any more once the page is left', async () => {
    const fixture = TestBed.createComponent(PictureComponent);
    TestBed.inject(ApplicationRef).tick();
    answer.set(true);
    fixture.destroy();
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(drawn).toEqual(['waits']);
  });
});
