import { Directive, ElementRef, inject, input, output, type OnDestroy } from '@angular/core';

/** Says when its element comes into sight, and when it goes out of it. */
@Directive({ selector: '[ksSeen]' })
export class SeenDirective implements OnDestroy {
  /** What it is, for whoever reads the template. */
  readonly ksSeen = input.required<string>();
  readonly seen = output<boolean>();
  private readonly watch = new IntersectionObserver(
    (entries) => this.seen.emit(entries.some(({ isIntersecting }) => isIntersecting)),
    { rootMargin: '120px' },
  );

  constructor() {
    this.watch.observe(inject<ElementRef<HTMLElement>>(ElementRef).nativeElement);
  }

  ngOnDestroy(): void {
    this.watch.disconnect();
  }
}
