/** Short notices at the foot of the screen, some with a way back. */
export interface Toast {
  id: number;
  text: string;
  tone: 'plain' | 'error';
  action?: { label: string; run: () => void };
}

let nextId = 1;

class Toasts {
  list: Toast[] = $state([]);

  show(text: string, options: { tone?: Toast['tone']; action?: Toast['action'] } = {}): void {
    const toast: Toast = {
      id: nextId++,
      text,
      tone: options.tone ?? 'plain',
      ...(options.action && { action: options.action })
    };
    this.list = [...this.list.slice(-2), toast];
    // Long enough to read and to reach for the way back.
    setTimeout(() => this.dismiss(toast.id), options.action ? 12_000 : 6_000);
  }

  dismiss(id: number): void {
    this.list = this.list.filter((t) => t.id !== id);
  }
}

export const toasts = new Toasts();
