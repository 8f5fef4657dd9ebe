import { describe, expect, it } from 'vitest';
import { sheetWebPage, type Palette } from '$core/index';

const palette: Palette = { ink: '#22302a', paper: '#fffdf8', lead: '#b5482d', second: '#dce5e1', accent: '#e8b84b' };

describe('the brand sheet as a page of its own', () => {
  it('says every word and color, markup as words, and asks for nothing from elsewhere', () => {
    const page = sheetWebPage('Nets & Floats <Ltd> "Sea"', palette, [
      { title: 'Cover', text: '', file: '01-cover.svg' },
      { title: 'In words', text: 'Made <b>by hand</b> & flown', file: '02-words.svg' },
    ]);
    expect(page).toContain('Nets &amp; Floats &lt;Ltd&gt; &quot;Sea&quot;');
    expect(page).toContain('Made &lt;b&gt;by hand&lt;/b&gt; &amp; flown');
    expect(page).not.toMatch(/<b>|<script|https?:|url\(/);
    for (const hex of Object.values(palette)) expect(page).toContain(`<code>${hex}</code>`);
    expect(page.match(/<img /g)).toHaveLength(2);
    // Every picture has words for whoever does not see it. @source WCAG 2.2, 1.1.1
    expect(page.match(/<img [^>]*alt="[^"]+"/g)).toHaveLength(2);
    expect(page).toContain('<html lang="en">');
    expect(page).toContain('href="brand-sheet.pdf"');
  });
});
