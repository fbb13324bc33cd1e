import type { KindWords } from '../../words/kind-words';

export const CAMERA_WORDS: KindWords = {
  names: {
    camera: 'Camera',
  },
  labels: {
    tolerance: 'Tolerance',
    repeatsRead: 'Repeats read',
    readsASecond: 'Repeats a second',
    rejectList: 'Marked as faulty',
  },
  formulas: {
    'camera.readsASecond': {
      name: 'Repeats a second under the camera',
      reads: 'speed ÷ repeat',
      terms: { metresPerHour: 'metres an hour', repeatMm: 'repeat' },
    },
  },
  practiceRooms: {
    camera: 'Camera',
  },
  practice: {
    'camera.toleranceMm': 'Tolerance',
  },
};
