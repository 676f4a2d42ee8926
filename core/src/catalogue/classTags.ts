import type { ClassId, Drawing } from './shapes';

// Made from the catalogue by `npm run ids`. Do not edit: change the catalogue and run it again.

interface ClassTag {
  readonly name: string;
  readonly plural: string;
  readonly letters: string;
  readonly drawing: Drawing;
}

export const CLASS_TAGS: Readonly<Record<ClassId, ClassTag>> = {
  'pressure-washer': {
    name: 'Pressure washer',
    plural: 'Pressure washers',
    letters: 'PW',
    drawing: {
      paths: ['M12 36h22M16 36V24h14v12M30 28h6M12 36 8 10h-3', 'M36 28c6 0 2-10 7-14M19 24v-5h8v5'],
      circles: [{ x: 16, y: 39, radius: 4 }],
    },
  },
  generator: {
    name: 'Generator',
    plural: 'Generators',
    letters: 'GE',
    drawing: {
      paths: ['M6 12h36v26H6zM10 38v4M38 38v4M12 12V8h20v4', 'M12 19h12v13H12zM30 20h6M30 26h6M30 32h6'],
      circles: [],
    },
  },
  tiller: {
    name: 'Tiller',
    plural: 'Tillers',
    letters: 'TI',
    drawing: {
      paths: ['M4 10h8l10 14h14v-8H26M36 24v6', 'M28 29v14M21 36h14M23 31l10 10M33 31 23 41'],
      circles: [{ x: 28, y: 36, radius: 7 }],
    },
  },
  snowblower: {
    name: 'Snowblower',
    plural: 'Snowblowers',
    letters: 'SN',
    drawing: {
      paths: ['M4 12h6l8 14h12M18 26v8M30 40V24l12 2v14z', 'M33 24v-8c0-4 3-6 8-6M31 33c4-4 7 4 11 0'],
      circles: [{ x: 18, y: 37, radius: 5 }],
    },
  },
  'log-splitter': {
    name: 'Log splitter',
    plural: 'Log splitters',
    letters: 'LS',
    drawing: {
      paths: ['M4 28h40M6 28v-6h4v6M10 25h14M24 20v8h4v-8zM34 28V16l6 12', 'M36 28v12M32 40h8'],
      circles: [{ x: 14, y: 36, radius: 5 }],
    },
  },
  welder: {
    name: 'Welder',
    plural: 'Welders',
    letters: 'WE',
    drawing: {
      paths: [
        'M6 14h26v22H6zM10 36v5M28 36v5M12 20h6v6h-6zM24 20h4M24 25h4',
        'M32 30c8 0 4-14 10-14M42 16l-3-6M20 31h6',
      ],
      circles: [],
    },
  },
};
