import { floor } from './floor';
import { plan } from './plan';
import { queue } from './queue';
import { teamclock } from './teamclock';

/** Runs every case, one after the other, and says of each what went wrong; nothing where it holds. */
export async function run(): Promise<{ name: string; problem: string }[]> {
  const out: { name: string; problem: string }[] = [];
  for (const [group, cases] of Object.entries({ floor, plan, queue, teamclock }))
    for (const [name, test] of Object.entries(cases)) {
      let problem = '';
      try {
        await test();
      } catch (e) {
        problem = e instanceof Error ? e.message : String(e);
      }
      out.push({ name: `${group}: ${name}`, problem });
    }
  return out;
}
