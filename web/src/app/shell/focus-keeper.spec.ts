import { ChangeDetectionStrategy, Component, provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { FocusKeeper } from './focus-keeper.service';

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <main>
      <h1>Bag</h1>
      <ul>
        @for (one of rows(); track one) {
          <li>
            <input type="text" [id]="'field-' + one" [attr.aria-label]="one" [hidden]="!fields()" />
            <button type="button" [id]="one">{{ one }}</button>
            <button type="button" [id]="'out-' + one">take out</button>
          </li>
        }
      </ul>
      <section>
        <h2 id="heading">Meter</h2>
        @if (records()) {
          <button type="button" id="stop">Stop</button>
        } @else {
          <button type="button" id="record">Record</button>
        }
      </section>
      <section>
        <h2 id="alone">Alone</h2>
        @if (rows().length > 1) {
          <button type="button" id="last">Last</button>
        }
      </section>
      <button type="button" id="opener">Menu</button>
    </main>
    <div class="dropdown-menu" [class.show]="open()">
      <button type="button" id="item">Item</button>
      <ul>
        @if (points()) {
          <li><button type="button" id="only">Only</button></li>
        }
      </ul>
      <button type="button" id="only-other">Other</button>
    </div>
  `,
})
class PageComponent {
  readonly rows = signal(['radio', 'battery', 'panel']);
  readonly records = signal(false);
  readonly fields = signal(false);
  readonly open = signal(true);
  readonly points = signal(true);
}

describe('the focus', () => {
  let page: ComponentFixture<PageComponent>;
  beforeEach(async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    TestBed.inject(FocusKeeper);
    page = TestBed.createComponent(PageComponent);
    document.body.append(page.nativeElement as HTMLElement);
    await page.whenStable();
  });
  afterEach(() => page.destroy());

  const focus = (id: string) => {
    document.getElementById(id)!.focus();
    // What is not seen takes no focus; then the test would prove nothing.
    expect(document.activeElement?.id).toBe(id);
  };
  /** Where the focus comes to rest: a busy machine takes its time to bring it where it is wanted, and it stays there. */
  const focused = async (wanted?: string) => {
    const where = () => document.activeElement?.id || document.activeElement?.tagName;
    await page.whenStable();
    for (let tries = 0; tries < 60 && where() !== wanted; tries++)
      await new Promise((done) => setTimeout(done, 30));
    await new Promise((done) => setTimeout(done, 30));
    return where();
  };
  const leave = (row: string) =>
    page.componentInstance.rows.update((rows) => rows.filter((one) => one !== row));

  it('goes to the row that takes the place of one that is taken out', async () => {
    focus('out-battery');
    leave('battery');
    expect(await focused('panel')).toBe('panel');
  });

  it('goes to the row before, where the last one is taken out', async () => {
    focus('out-panel');
    leave('panel');
    expect(await focused('battery')).toBe('battery');
  });

  it('goes to a field by key, and past it by pointer: no keyboard of a phone comes up', async () => {
    page.componentInstance.fields.set(true);
    await page.whenStable();
    focus('out-radio');
    for (const kind of ['pointerdown', 'pointerup'])
      document.dispatchEvent(new PointerEvent(kind, { bubbles: true }));
    leave('radio');
    expect(await focused('battery')).toBe('battery');
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    leave('battery');
    expect(await focused('field-panel')).toBe('field-panel');
  });

  it('goes to the button that stands in the place of another', async () => {
    focus('record');
    page.componentInstance.records.set(true);
    expect(await focused('stop')).toBe('stop');
  });

  it('goes to the heading of its section where nothing else is left in it', async () => {
    focus('last');
    page.componentInstance.rows.set(['radio']);
    expect(await focused('alone')).toBe('alone');
  });

  it('goes back to what opened a menu, and on from there where that is gone', async () => {
    focus('opener');
    focus('item');
    page.componentInstance.open.set(false);
    expect(await focused('opener')).toBe('opener');
    page.componentInstance.open.set(true);
    await page.whenStable();
    focus('battery');
    focus('item');
    page.componentInstance.open.set(false);
    leave('battery');
    expect(await focused('panel')).toBe('panel');
  });

  it('stays in a dialog that is open, though what had it is gone from there', async () => {
    focus('opener');
    focus('only');
    page.componentInstance.points.set(false);
    expect(await focused('item')).toBe('item');
    focus('only-other');
    page.componentInstance.points.set(true);
    expect(await focused('only-other')).toBe('only-other');
  });

  it('stays where it is, and nowhere where the user has left it', async () => {
    focus('battery');
    leave('panel');
    expect(await focused('battery')).toBe('battery');
    document.getElementById('battery')!.blur();
    await focused('BODY');
    leave('battery');
    expect(await focused('BODY')).toBe('BODY');
  });

  it('goes where it is sent, a heading too', async () => {
    TestBed.inject(FocusKeeper).go(() => document.getElementById('heading'));
    page.componentInstance.records.set(true);
    expect(await focused('heading')).toBe('heading');
  });
});
