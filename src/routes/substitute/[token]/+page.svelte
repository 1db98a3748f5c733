<script lang="ts">
  import Tempo from '$lib/components/note/Tempo.svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  const lesson = $derived(data.lesson);
  const say = (date: string) => sayDate(dayOf(date));
  const until = $derived(
    lesson.audition
      ? [
          `${lesson.audition.name}, ${say(lesson.audition.date)}`,
          `in ${dayOf(lesson.audition.date) - dayOf(lesson.today)} days`
        ]
      : []
  );
  const bars = (from: number, to: number) => (from === to ? `bar ${from}` : `bars ${from}–${to}`);
</script>

<svelte:head><title>Lesson with {lesson.name} · Irvot</title></svelte:head>
<div class="page">
  <h1>Lesson with <bdi>{lesson.name}</bdi></h1>
  <p class="soft">
    {[lesson.instruments, ...until].join(' · ')}. This page is for reading.
  </p>
  {#if lesson.items.length > 0}
    <div class="scroll">
      <table>
        <thead>
          <tr
            ><th scope="col">item</th><th scope="col">holds</th><th scope="col">the plan next</th><th
              scope="col">open spots</th
            ></tr
          >
        </thead>
        <tbody>
          {#each lesson.items as item (item.id)}
            <tr>
              <td
                ><strong dir="auto">{item.name}</strong>
                <div class="soft">
                  {[item.composer, item.edition, item.tested].filter(Boolean).join(' · ')}
                </div></td
              >
              <td
                >{#each item.sections as section (section.id)}<div>
                    {item.sections.length > 1
                      ? `${bars(section.fromBar, section.toBar)}: `
                      : ''}{section.says}
                  </div>{/each}</td
              >
              <td class="next"
                >{#if item.next}<Tempo {...item.next.tempo} height={14} /> by {say(item.next.date)}{/if}</td
              >
              <td
                >{#each item.spots as spot (`${spot.fromBar} ${spot.toBar} ${spot.issue}`)}<div>
                    {bars(spot.fromBar, spot.toBar)}: <bdi>{spot.issue}</bdi>
                  </div>{/each}</td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  {:else}<p>No audition is ahead, so there is no plan to look at.</p>{/if}
  {#if lesson.notes.length > 0}
    <h2>From the last lessons</h2>
    {#each lesson.notes as { date, note } (date)}<p class="note">
        <span class="soft">{say(date)}</span> <bdi>{note}</bdi>
      </p>{/each}
  {/if}
</div>

<style>
  .scroll {
    margin-top: 16px;
    overflow-x: auto;
  }
  td {
    padding: 6px 16px 6px 0;
    vertical-align: top;
  }
  @media (min-width: 901px) {
    .next {
      white-space: nowrap;
    }
  }
  h2 {
    margin-top: 28px;
  }
  .note {
    margin-top: 6px;
    white-space: pre-line;
  }
</style>
