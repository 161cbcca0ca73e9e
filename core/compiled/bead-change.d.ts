import type { CompiledValidator } from '../schema/validate';
declare const matches: CompiledValidator;
export default matches;
