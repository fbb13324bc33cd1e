import { swcJest } from '../jest.base.mjs';

export default swcJest({ testTimeout: 200_000 });
