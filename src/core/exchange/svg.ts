import type { Entity, Layer } from '../plate/entities.ts';
import type { Sheet } from '../plate/sheet.ts';
import { escapeXml } from './text.ts';

/** Line of each layer: width in mm, dashes. */
const PENS: Readonly<
  Record<Layer, { readonly width: number; readonly dash?: string; readonly colour: string }>
> = {
  outline: { width: 0.35, colour: '#1f2a2c' },
  wire: { width: 0.25, colour: '#3c4749' },
  hidden: { width: 0.18, dash: '1.2 0.8', colour: '#1f2a2c' },
  centre: { width: 0.13, dash: '4 0.8 0.8 0.8', colour: '#5b6a5f' },
  dimension: { width: 0.13, colour: '#5a4300' },
  text: { width: 0.13, colour: '#1f2a2c' },
  mark: { width: 0.2, colour: '#8c1d18' },
};

const n = (value: number) => String(Math.round(value * 10000) / 10000);

/** A sheet as SVG 1.1 at true scale: width and height in mm, one user unit to the millimetre. */
export function writeSvg({ width, height, entities }: Sheet, title: string): string {
  // SVG counts y downward.
  const y = (value: number) => height - value;
  const draw = (entity: Entity): string => {
    const pen = PENS[entity.layer];
    const stroke = `class="${entity.layer}" fill="none" stroke="${pen.colour}" stroke-width="${n(pen.width)}"${pen.dash ? ` stroke-dasharray="${pen.dash}"` : ''}`;
    if (entity.kind === 'circle')
      return `<circle ${stroke} cx="${n(entity.at[0])}" cy="${n(y(entity.at[1]))}" r="${n(entity.radius)}"/>`;
    if (entity.kind === 'text') {
      const [u, v] = [n(entity.at[0]), n(y(entity.at[1]))];
      const turn = entity.turned ? ` transform="rotate(-90 ${u} ${v})"` : '';
      return `<text class="${entity.layer}" fill="${pen.colour}" font-family="sans-serif" font-size="${n(entity.height)}" text-anchor="${entity.anchor}" x="${u}" y="${v}"${turn}>${escapeXml(entity.text)}</text>`;
    }
    const d = entity.points.map(([u, v], i) => `${i === 0 ? 'M' : 'L'}${n(u)} ${n(y(v))}`).join('');
    const thick = entity.width ? ` data-wire="${n(entity.width)}"` : '';
    const pipe = entity.width
      ? `<path class="pipe" fill="none" stroke="#c9cfca" stroke-linecap="round" stroke-linejoin="round" stroke-width="${n(entity.width)}" d="${d}${entity.closed ? 'Z' : ''}"/>`
      : '';
    return `${pipe}<path ${stroke}${thick} d="${d}${entity.closed ? 'Z' : ''}"/>`;
  };
  return [
    `<?xml version="1.0" encoding="UTF-8"?>`,
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(width)}mm" height="${n(height)}mm" viewBox="0 0 ${n(width)} ${n(height)}">`,
    `<title>${escapeXml(title)}</title>`,
    ...entities.map(draw),
    `</svg>`,
    '',
  ].join('\n');
}
