import { ChangeDetectionStrategy, Component, provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { InViewDirective } from './in-view.directive';

@Component({
  imports: [InViewDirective],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div style="height: 4000px"></div>
    <p [ksInView]="chosen()">chosen</p>`,
})
class LongPageComponent {
  readonly chosen = signal<string | null>(null);
}

describe('what is chosen', () => {
  let fixture: ComponentFixture<LongPageComponent>;
  const isSeen = () => {
    const { top, bottom } = (fixture.nativeElement as HTMLElement)
      .querySelector('p')!
      .getBoundingClientRect();
    return top >= 0 && bottom <= innerHeight;
  };
  const choose = async (what: string | null) => {
    fixture.componentInstance.chosen.set(what);
    await fixture.whenStable();
  };

  beforeEach(async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    fixture = TestBed.createComponent(LongPageComponent);
    document.body.append(fixture.nativeElement as HTMLElement);
    await fixture.whenStable();
    scrollTo(0, 0);
  });
  afterEach(() => {
    fixture.destroy();
    scrollTo(0, 0);
  });

  it('scrolls into view, and nothing does where nothing is chosen', async () => {
    expect(isSeen()).toBeFalse();
    await choose('a');
    expect(isSeen()).toBeTrue();
    scrollTo(0, 0);
    await choose(null);
    expect(isSeen()).toBeFalse();
    await choose('b');
    expect(isSeen()).toBeTrue();
  });

  it('waits until the finger is lifted', async () => {
    dispatchEvent(new PointerEvent('pointerdown'));
    await choose('a');
    expect(isSeen()).toBeFalse();
    dispatchEvent(new PointerEvent('pointerup'));
    await new Promise((done) => setTimeout(done, 20));
    expect(isSeen()).toBeTrue();
  });
});
