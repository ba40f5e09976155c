import type { Construction } from '../api/types';
import { say } from '../words/say';

/** A silhouette in a box of 480 by 136, drawn as outlines and finer lines; words say what is looked at. */
export interface SilhouetteArt {
  outline: readonly string[];
  lines: readonly string[];
  words: readonly (readonly [number, number, string])[];
}

const boardAt = (y: number) =>
  `M8 ${y}C60 ${y - 29} 180 ${y - 32} 290 ${y - 29}C390 ${y - 26} 450 ${y - 17} 472 ${y - 7}V${y + 7}C450 ${y + 17} 390 ${y + 26} 290 ${y + 29}C180 ${y + 32} 60 ${y + 29} 8 ${y}Z`;

export const silhouettes: Record<Construction['silhouette'], SilhouetteArt> = {
  board: {
    outline: [boardAt(34), boardAt(102)],
    lines: ['M8 34H472', 'M8 102H472', 'M396 88l24 -4M396 116l24 4M424 102h26'],
    words: [
      [96, 38, say`from above`],
      [96, 106, say`from below`],
    ],
  },
  hull: {
    outline: ['M10 44C60 96 130 118 240 118C350 118 420 96 470 44C420 58 350 64 240 64C130 64 60 58 10 44Z'],
    lines: ['M60 82C140 104 340 104 420 82', 'M176 62v-10h128v10'],
    words: [[128, 128, say`keel line`]],
  },
  raft: {
    outline: [
      'M50 18H400C450 18 466 44 466 68C466 92 450 118 400 118H50C24 118 14 96 14 68C14 40 24 18 50 18Z',
      'M78 44H386C418 44 428 54 428 68C428 82 418 92 386 92H78C60 92 52 82 52 68C52 54 60 44 78 44Z',
    ],
    lines: ['M170 44v48', 'M300 44v48'],
    words: [],
  },
  ski: {
    outline: [
      'M6 34C10 22 40 20 80 22H440C466 22 474 28 474 34C474 40 466 46 440 46H80C40 48 10 46 6 34Z',
      'M6 92C10 80 40 78 80 80H440C466 80 474 86 474 92C474 98 466 112 440 112H80C40 112 10 104 6 92Z',
    ],
    lines: ['M80 84H440M80 108H440', 'M240 22v24'],
    words: [
      [364, 38, say`from above`],
      [364, 100, say`from below`],
    ],
  },
  deck: {
    outline: ['M40 32H440C466 32 474 50 474 68C474 86 466 104 440 104H40C14 104 6 86 6 68C6 50 14 32 40 32Z'],
    lines: ['M100 56h12v24h-12zM368 56h12v24h-12z'],
    words: [],
  },
  limb: {
    outline: ['M8 62C120 40 300 34 430 44L472 50V76L430 82C300 92 120 84 8 70Z'],
    lines: ['M8 66C140 58 300 56 472 62', 'M410 42V84'],
    words: [
      [352, 28, say`pocket end`],
      [10, 52, 'tip'],
    ],
  },
  foil: {
    outline: ['M10 40C80 12 260 12 300 40C260 60 80 60 10 40Z', 'M360 40C380 28 440 28 462 40C440 50 380 50 360 40Z', 'M240 52h24v78h-24z'],
    lines: ['M290 40H366'],
    words: [],
  },
  paddle: {
    outline: ['M6 68C10 40 60 30 108 48C124 54 136 62 146 64H440V60H472V76H440V72H146C136 74 124 82 108 88C60 106 10 96 6 68Z'],
    lines: ['M20 68H140'],
    words: [],
  },
  pole: {
    outline: ['M6 58H380V78H6Z', 'M380 61H474V75H380Z'],
    lines: ['M6 68H380'],
    words: [[392, 50, say`ferrule end`]],
  },
  tent: {
    outline: ['M20 118C80 30 170 10 240 10C310 10 400 30 460 118Z', 'M326 118C330 76 350 60 372 60C394 60 408 84 412 118Z'],
    lines: ['M240 10C230 46 226 80 226 118', 'M240 10C276 44 300 80 312 118'],
    words: [],
  },
  wader: {
    outline: ['M150 8H330L338 66L360 128H272L240 70L208 128H120L142 66Z'],
    lines: ['M150 30H330', 'M240 70V30'],
    words: [],
  },
  suit: {
    outline: ['M214 6H266L300 20L360 60L346 76L296 52V82L310 132H256L240 96L224 132H170L184 82V52L134 76L120 60L180 20Z'],
    lines: ['M240 20V90'],
    words: [],
  },
  shoe: {
    outline: ['M40 96C40 76 110 72 190 62L250 18H392L402 96Z', 'M30 96H410V106H400V124H318V114H30C24 108 24 100 30 96Z'],
    lines: ['M190 62l16 16M214 46l16 16M236 30l16 16'],
    words: [],
  },
  fork: {
    outline: ['M20 52H280V84H20Z', 'M280 44H460V92H280Z'],
    lines: ['M274 44V92'],
    words: [[340, 72, say`lower leg`]],
  },
  harness: {
    outline: ['M150 20H330V40H150Z', 'M160 40L120 124H150L196 40Z', 'M320 40L360 124H330L284 40Z'],
    lines: ['M240 20v20'],
    words: [],
  },
};
