export type Theme = 'bisque' | 'nightwatch';

/** The theme is set before the first paint by app.html; this switches and remembers it. */
class ThemeChoice {
  current: Theme = $state(document.documentElement.dataset.theme === 'nightwatch' ? 'nightwatch' : 'bisque');

  toggle(): void {
    this.current = this.current === 'bisque' ? 'nightwatch' : 'bisque';
    document.documentElement.dataset.theme = this.current;
    localStorage.setItem('ember.theme', this.current);
  }
}

export const theme = new ThemeChoice();
