import type { KindWords } from '../../words/kind-words';

export const DIE_SHOP_WORDS: KindWords = {
  names: { dieShop: 'Making a cutting die' },
  labels: {
    dieCuts: 'Cuts',
    diePlaces: 'Places',
    dieSheet: 'Sheet it cuts',
    dieDrawing: 'Drawing',
    theDieFile: 'the die’s file (DXF, rules as CSV) and the die page of the job it is made for: channels, nicks, strip pins',
    dieRoomChecks: 'Die, looked at',
  },
  practiceRooms: { dieShop: 'Die room' },
  practice: {
    'dieShop.marginMm': 'Board around the sheet',
    'dieShop.ruleS': 'Slotting, bending and setting a metre of rule',
    'dieShop.rubberS': 'Laying a metre of rubber',
    'dieShop.platesS': 'Counter plate, frame, grid and proof',
  },
};
