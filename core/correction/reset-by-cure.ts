import type { CauseId } from '../evidence/ids';
import type { MainSetting } from '../setting/table';

/** What is set anew when a cause is cured: a new cylinder is opened to the flow that is wanted. */
export const RESET_BY_CURE: Partial<Record<CauseId, MainSetting>> = { 'gas-empty': 'gasFlowLPerMin' };
