import masters from './masters.json';
import spring from './ottlemere-spring-launch.json';
import weekends from './skarvholm-helgekurs.json';
import frames from './vellacre-cold-frames.json';

/** The sample plans as plan files: a piano workshop, glasshouses and cold frames, a sailing school. */
export const samplePlans: readonly unknown[] = [spring, frames, weekends];

/** The sample masters. */
export const sampleMasters = masters;
