<!-- One spot in one line: its bars, what is wrong, the days that ended clean as treads, and what comes next of it. -->
<script lang="ts">
  import { DAYS_TO_REST, sayIssue } from '$lib/core/practice';
  import { dayOf, sayBars, sayBpm, sayDate } from '$lib/core/units';
  import type { SpotView } from '$lib/schema/view';
  import NoteValue from '$lib/components/note/NoteValue.svelte';

  let {
    spot,
    href,
    today,
    isNext,
    name = ''
  }: {
    spot: SpotView;
    href: string;
    today: string;
    /** It is worked first. */
    isNext: boolean;
    /** Of its item, where several are shown together. */
    name?: string | undefined;
  } = $props();

  const FOUND = {
    self: '',
    teacher: 'heard by the teacher',
    juror: 'a juror’s',
    probe: 'from the probe',
    microscope: 'from the microscope',
    take: 'from a take'
  };
  const next = $derived(
    spot.state === 'at-rest'
      ? 'laid to rest'
      : spot.state === 'resting'
        ? spot.dueOn! <= today
          ? 'rests, now asked once'
          : `rests, asked on ${sayDate(dayOf(spot.dueOn!))}`
        : spot.isFirst
          ? 'laid first'
          : spot.places.length > 0 && spot.days >= DAYS_TO_REST
            ? `then ${sayBars(spot.places[0]!)}`
            : isNext
              ? 'comes first'
              : 'open'
  );
</script>

<a {href} class:rest={spot.state === 'at-rest'} class:first={spot.isFirst}>
  <strong>{sayBars(spot)}</strong>
  <span class="issue"
    >{#if name}<span class="soft">{`${name}: `}</span>{/if}<bdi>{sayIssue(spot)}</bdi
    >{#if FOUND[spot.foundBy]}<span class="soft">, {FOUND[spot.foundBy]}</span>{/if}</span
  >
  <span class="tempo"
    >{#if spot.bpm !== null && spot.section}<NoteValue unit={spot.section.unit} height={15} />{sayBpm(
        spot.bpm
      )}{/if}</span
  >
  <span class="days" role="img" aria-label="{spot.days} of {DAYS_TO_REST} days clean"
    >{#each { length: DAYS_TO_REST } as _, day (day)}<i class:held={day < spot.days}></i>{/each}</span
  >
  <span class="next">{next}</span>
</a>

<style>
  a {
    display: grid;
    grid-template-columns: 96px minmax(0, 1fr) 64px 92px 190px;
    gap: 0 14px;
    align-items: center;
    min-height: 40px;
    border-top: 1px solid var(--rule);
    color: inherit;
    text-decoration: none;
  }
  a:hover .issue {
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  .days {
    display: flex;
    gap: 3px;
  }
  i {
    width: 27px;
    height: 8px;
    border: 1.5px solid var(--soft);
  }
  .held {
    border-color: var(--ink);
    background: var(--ink);
  }
  .rest {
    color: var(--soft);
  }
  .rest i {
    border-style: dotted;
    background: none;
  }
  .rest strong {
    font-weight: 500;
  }
  .first .next {
    font-weight: 650;
  }
  .tempo {
    white-space: nowrap;
  }
  @media (max-width: 720px) {
    a {
      grid-template-columns: 84px minmax(0, 1fr) 92px;
      padding: 6px 0;
    }
    .tempo {
      display: none;
    }
    .issue {
      grid-column: 2 / -1;
    }
    .next {
      grid-row: 2;
      grid-column: 2;
      color: var(--soft);
      font-size: 0.93rem;
    }
    .days {
      grid-row: 2;
      grid-column: 3;
    }
  }
</style>
