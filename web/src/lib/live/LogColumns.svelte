<script lang="ts">
  import type { LogLook, LogReading } from './types';

  /** How a file begins, and what each of its columns is. */
  interface Props {
    seen: LogLook;
    reading: LogReading;
  }
  let { seen, reading = $bindable() }: Props = $props();

  const roles = [
    ['time', 'Time'],
    ['temperature', 'Temperature'],
    ['date', 'Day, by itself'],
    ['setPoint', 'Set point'],
    ['power', 'Power']
  ] as const;

  const roleOf = (column: number) => roles.find(([role]) => reading[role] === column)?.[0] ?? '';

  function give(column: number, role: string) {
    for (const [known] of roles) if (reading[known] === column) reading[known] = null;
    if (role) reading[role as (typeof roles)[number][0]] = column;
  }
</script>

<div class="overflow-x-auto">
  <table class="w-full text-[14px]" data-testid="log-columns">
    <thead>
      <tr>
        {#each seen.headings as heading, i (i)}
          <th class="pr-2 pb-1 text-left font-normal">
            <span class="text-soft block max-w-32 truncate">{heading}</span>
            <select
              class="select select-sm min-w-32"
              aria-label="What {heading} is"
              value={roleOf(i)}
              onchange={(e) => give(i, e.currentTarget.value)}
            >
              <option value="">not needed</option>
              {#each roles as [role, name] (role)}<option value={role}>{name}</option>{/each}
            </select>
          </th>
        {/each}
      </tr>
    </thead>
    <tbody>
      {#each seen.rows as row, r (r)}
        <tr
          >{#each seen.headings as heading, i (heading + i)}<td
              class={['max-w-40 truncate py-0.5 pr-2', roleOf(i) || 'text-soft']}>{row[i] ?? ''}</td
            >{/each}</tr
        >
      {/each}
    </tbody>
  </table>
</div>
