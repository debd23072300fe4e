import { ChangeDetectionStrategy, Component, provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { FitsTextDirective } from './fits-text.directive';

@Component({
  imports: [FitsTextDirective],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<input style="padding: 0 1px; border: 0" [ksFitsText]="text()" [value]="text()" />`,
})
class FieldComponent {
  readonly text = signal('7');
}

describe('a field as wide as its text', () => {
  const shown = async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(FieldComponent);
    document.body.append(fixture.nativeElement as HTMLElement);
    await fixture.whenStable();
    return { fixture, input: (fixture.nativeElement as HTMLElement).querySelector('input')! };
  };

  it('is measured where the browser cannot do it', async () => {
    spyOn(CSS, 'supports').and.returnValue(false);
    const { fixture, input } = await shown();
    const narrow = input.offsetWidth;
    expect(narrow).toBeLessThan(30);
    fixture.componentInstance.text.set('calling and running stations');
    await fixture.whenStable();
    expect(input.offsetWidth).toBeGreaterThan(4 * narrow);
    // All of it is seen: nothing to scroll to.
    expect(input.scrollWidth).toBeLessThanOrEqual(input.clientWidth);
    fixture.destroy();
  });

  it('is left to the style sheet where it can', async () => {
    spyOn(CSS, 'supports').and.returnValue(true);
    const { fixture, input } = await shown();
    expect(input.style.width).toBe('');
    fixture.destroy();
  });
});
