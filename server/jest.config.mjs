import { swcJest } from '../jest.base.mjs';

export default swcJest({ testTimeout: 20_000 });
