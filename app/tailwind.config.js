const plugin = require('tailwindcss/plugin');
const { DARK, LIGHT } = require('./src/design/tokens');

const variables = (palette) => Object.fromEntries(Object.entries(palette).map(([name, value]) => [`--${name}`, value]));
const colors = Object.fromEntries(Object.keys(LIGHT).map((name) => [name, `rgb(var(--${name}) / <alpha-value>)`]));

/** @type {import('tailwindcss').Config} */
module.exports = {
  content: ['./app/**/*.{ts,tsx}', './src/**/*.{ts,tsx}'],
  presets: [require('nativewind/preset')],
  darkMode: 'class',
  theme: {
    extend: {
      colors: { ...colors, transparent: 'transparent' },
      fontSize: {
        13: ['13px', '18px'],
        15: ['15px', '21px'],
        17: ['17px', '24px'],
        22: ['22px', '28px'],
        32: ['32px', '36px'],
        56: ['56px', '58px'],
      },
      fontFamily: {
        text: ['AtkinsonHyperlegibleNext_400Regular'],
        strong: ['AtkinsonHyperlegibleNext_700Bold'],
        figures: ['BarlowCondensed_600SemiBold'],
        stencil: ['SairaStencilOne_400Regular'],
      },
    },
  },
  plugins: [plugin(({ addBase }) => addBase({ ':root': variables(LIGHT), '.dark': variables(DARK) }))],
};
