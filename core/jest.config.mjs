import { swcJest } from '../jest.base.mjs';

export default swcJest();
