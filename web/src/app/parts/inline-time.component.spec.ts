import { provideZonelessChangeDetection } from '@angular/core';
import { DeferBlockBehavior, TestBed, type ComponentFixture } from '@angular/core/testing';
import { toLocalField } from '@knapsack/core';
import { InlineTimeComponent } from './inline-time.component';

describe('a day and an hour in a sentence', () => {
  const ZONE = 'Europe/Oslo';
  const NEAR = Date.UTC(2027, 8, 4, 14, 30);
  let fixture: ComponentFixture<InlineTimeComponent>;
  let taken: string[];
  const host = () => fixture.nativeElement as HTMLElement;
  const field = () => host().querySelector('input')!;
  const problem = () => host().querySelector('.problem')?.textContent ?? null;
  const open = async () => {
    host().querySelector<HTMLElement>('.inline-time')!.click();
    await fixture.whenStable();
  };
  const type = async (text: string) => {
    field().value = text;
    field().dispatchEvent(new Event('input'));
    await fixture.whenStable();
  };
  const press = async (key: string) => {
    field().dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    await fixture.whenStable();
  };

  beforeEach(async () => {
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection()],
      imports: [InlineTimeComponent],
      deferBlockBehavior: DeferBlockBehavior.Playthrough,
    });
    await TestBed.compileComponents();
    fixture = TestBed.createComponent(InlineTimeComponent);
    document.body.append(host());
    taken = [];
    fixture.componentRef.setInput('valueMs', NEAR);
    fixture.componentRef.setInput('zone', ZONE);
    fixture.componentRef.setInput('label', 'Start');
    fixture.componentRef.setInput('accept', (timeMs: number) => {
      taken.push(toLocalField(timeMs, ZONE));
      return timeMs < NEAR ? 'Too early.' : null;
    });
    await fixture.whenStable();
    await open();
  });
  afterEach(() => host().remove());

  it('takes them as they are written, and says what it understood', async () => {
    await type('sunday 6:05 pm');
    expect(host().querySelector('.understood')!.textContent).toBe('Sun 5 September 2027, 18:05');
    await press('Enter');
    expect(taken).toEqual(['2027-09-05T18:05']);
    expect(host().querySelector('input')).toBeNull();
  });

  it('says what is wrong, by itself or by its owner, and keeps what was typed', async () => {
    await type('soon');
    await press('Enter');
    expect(problem()).toBe('Write a day and an hour like Sat 4 Sep 16:30; “soon” is not one.');
    expect(field().value).toBe('soon');
    await type('3 Sep');
    expect(problem()).toBeNull();
    await press('Enter');
    expect(problem()).toBe('Too early.');
    await press('Escape');
    expect(host().textContent).toContain('Sat 4 Sep 16:30');
    expect(taken).toEqual(['2027-09-03T16:30']);
  });

  it('commits when it is left, and nothing where nothing was changed', async () => {
    field().dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
    await fixture.whenStable();
    expect(taken).toEqual([]);
    await open();
    await type('17:00');
    field().dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
    await fixture.whenStable();
    expect(taken).toEqual(['2027-09-04T17:00']);
  });

  it('takes a day off the month and keeps the hour, and stays open', async () => {
    for (let tries = 0; tries < 100 && !host().querySelector('ks-month .day'); tries++) {
      await new Promise((done) => setTimeout(done, 20));
      await fixture.whenStable();
    }
    const days = [...host().querySelectorAll<HTMLElement>('ks-month .day')];
    expect(days.find((day) => day.classList.contains('chosen'))!.textContent).toBe('4');
    days.find((day) => day.textContent === '9')!.click();
    await fixture.whenStable();
    expect(field().value).toBe('Thu 9 Sep 16:30');
    expect(taken).toEqual([]);
    await press('Enter');
    expect(taken).toEqual(['2027-09-09T16:30']);
  });
});
