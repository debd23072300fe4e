import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { InlineNumberComponent } from './inline-number.component';

describe('a number in a sentence', () => {
  let fixture: ComponentFixture<InlineNumberComponent>;
  let committed: number[];
  const field = () => fixture.nativeElement.querySelector('input') as HTMLInputElement;
  const problem = () => (fixture.nativeElement as HTMLElement).querySelector('.problem')?.textContent ?? null;
  const type = async (text: string, key = 'Enter') => {
    field().value = text;
    field().dispatchEvent(new Event('input'));
    await fixture.whenStable();
    field().dispatchEvent(new KeyboardEvent('keydown', { key }));
    await fixture.whenStable();
  };

  beforeEach(async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    fixture = TestBed.createComponent(InlineNumberComponent);
    fixture.componentRef.setInput('field', 'share');
    fixture.componentRef.setInput('value', 0.5);
    committed = [];
    fixture.componentInstance.committed.subscribe((value) => committed.push(value));
    await fixture.whenStable();
  });

  it('shows the stored value in the unit that people read', () => {
    expect(field().value).toBe('50');
  });

  it('commits what is right', async () => {
    await type('42,5');
    expect(committed).toEqual([0.425]);
    expect(problem()).toBeNull();
  });

  it('says what is wrong beside the field and commits nothing', async () => {
    await type('150');
    expect(committed).toEqual([]);
    expect(problem()).toBe('The transmit duty cycle must be between 0 and 100 %; 150 % is not.');
    expect(field().getAttribute('aria-invalid')).toBe('true');
    await type('40');
    expect(committed).toEqual([0.4]);
    expect(problem()).toBeNull();
  });

  it('goes back on Escape', async () => {
    await type('nonsense', 'Escape');
    expect(field().value).toBe('50');
    expect(committed).toEqual([]);
  });

  it('commits nothing where nothing changed', async () => {
    await type('50');
    await type('50 %');
    expect(committed).toEqual([]);
  });
});
