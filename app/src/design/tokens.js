/** Colours as "r g b", for light and for dark. Tray: where work lies. Card: what belongs to a unit. */
const LIGHT = {
  tray: '221 227 225',
  'tray-deep': '200 209 206',
  card: '245 230 191',
  'card-deep': '230 210 160',
  'card-edge': '160 132 72',
  paper: '252 247 233',
  ink: '18 33 26',
  'ink-soft': '62 74 66',
  line: '150 163 157',
  fit: '22 96 52',
  prep: '122 74 0',
  held: '156 20 24',
  out: '24 70 120',
  'laid-up': '66 74 86',
  gone: '90 90 84',
  mark: '18 33 26',
  'on-mark': '252 247 233',
};

const DARK = {
  tray: '20 27 25',
  'tray-deep': '12 17 16',
  card: '52 45 28',
  'card-deep': '68 58 36',
  'card-edge': '142 122 76',
  paper: '34 40 34',
  ink: '246 238 214',
  'ink-soft': '205 199 178',
  line: '92 104 98',
  fit: '134 214 158',
  prep: '245 190 92',
  held: '255 150 140',
  out: '150 196 244',
  'laid-up': '186 194 206',
  gone: '176 176 168',
  mark: '246 238 214',
  'on-mark': '24 30 26',
};

module.exports = { LIGHT, DARK };
