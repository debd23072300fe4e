import { Directive, effect, ElementRef, inject, input, type OnDestroy } from '@angular/core';

/**
 * While a hand moves, its element stays as high as it has been since the hand began: what stands under it, and under the finger,
 * does not jump with each sentence that is a line longer or shorter. Afterwards it is as high as it needs to be.
 */
@Directive({ selector: '[ksSteady]' })
export class SteadyDirective implements OnDestroy {
  /** Whether a hand moves. */
  readonly ksSteady = input.required<boolean>();
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  /** As the browser told it last, once a frame: before what the hand's first move changes. */
  private height = 0;
  private held = false;
  private readonly sizes = new ResizeObserver(([{ borderBoxSize }]) => {
    const height = borderBoxSize[0].blockSize;
    if (this.held && height > this.height) this.keep(height);
    this.height = height;
  });

  constructor() {
    this.sizes.observe(this.element);
    effect(() => {
      this.held = this.ksSteady();
      if (this.held) this.keep(this.height);
      else this.element.style.minHeight = '';
    });
  }

  ngOnDestroy(): void {
    this.sizes.disconnect();
  }

  private keep(height: number): void {
    this.element.style.minHeight = `${height}px`;
  }
}
