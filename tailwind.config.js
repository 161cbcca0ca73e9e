const { temper } = require('./ui/temper.json');

/** @type {import('tailwindcss').Config} */
module.exports = {
  content: ['./app/**/*.{ts,tsx}', './features/**/*.{ts,tsx}', './ui/**/*.{ts,tsx}'],
  presets: [require('nativewind/preset')],
  theme: {
    extend: {
      colors: {
        ground: 'rgb(var(--ground) / <alpha-value>)',
        plate: 'rgb(var(--plate) / <alpha-value>)',
        sunk: 'rgb(var(--sunk) / <alpha-value>)',
        edge: 'rgb(var(--edge) / <alpha-value>)',
        ink: 'rgb(var(--ink) / <alpha-value>)',
        faint: 'rgb(var(--faint) / <alpha-value>)',
        act: 'rgb(var(--act) / <alpha-value>)',
        'on-act': 'rgb(var(--on-act) / <alpha-value>)',
        stop: 'rgb(var(--stop) / <alpha-value>)',
        'on-stop': 'rgb(var(--on-stop) / <alpha-value>)',
        temper,
      },
      fontFamily: { plain: ['Barlow_500Medium'], strong: ['Barlow_700Bold'] },
    },
  },
};
