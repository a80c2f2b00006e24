import { flushSync, mount, unmount, type Component } from 'svelte';

/** A component drawn by itself, and what a person does with it. */
export class Page {
  private readonly drawn: Record<string, unknown>;
  private readonly root = document.body.appendChild(document.createElement('div'));

  constructor(component: Component<never>, props: object) {
    this.drawn = mount(component as Component, { target: this.root, props: props as Record<string, never> });
    flushSync();
  }

  /** The field or button with this label, text or accessible name; it must be there. */
  find<E extends HTMLElement = HTMLInputElement>(name: string): E {
    const all = [...this.root.querySelectorAll<HTMLElement>('input, select, textarea, button, a')];
    const found = all.find((e) =>
      [e.getAttribute('aria-label'), e.textContent?.trim(), e.closest('label')?.textContent?.trim()].includes(
        name
      )
    );
    if (!found) throw new Error(`nothing is called “${name}” in ${this.root.innerHTML}`);
    return found as E;
  }

  has(css: string): boolean {
    return this.root.querySelector(css) !== null;
  }

  text(css: string): string | null {
    return this.root.querySelector(css)?.textContent?.trim() ?? null;
  }

  type(name: string, text: string): void {
    const field = this.find(name);
    field.value = text;
    this.happens(field, 'input');
  }

  choose(name: string, value: string): void {
    const field = this.find(name);
    field.value = value;
    this.happens(field, 'change');
  }

  leave(name: string): void {
    this.happens(this.find(name), 'blur');
  }

  press(name: string): void {
    this.find<HTMLButtonElement>(name).click();
    flushSync();
  }

  close(): void {
    void unmount(this.drawn);
    this.root.remove();
  }

  private happens(element: HTMLElement, what: string): void {
    element.dispatchEvent(new Event(what, { bubbles: true }));
    flushSync();
  }
}
