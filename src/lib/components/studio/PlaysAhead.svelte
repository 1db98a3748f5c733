<!-- Who plays to whom in the next seven days; those at one place on one day are one evening, in the order of the clock. -->
<script lang="ts">
  import { dayOf, sayDate } from '$lib/core/units';
  import type { StudioMock } from '$lib/schema/view';

  let { mocks }: { mocks: readonly StudioMock[] } = $props();

  const LIST = new Intl.ListFormat('en-GB');
  const headOf = ({ date, place }: StudioMock) => `${sayDate(dayOf(date))}${place ? `, ${place}` : ''}`;
  const evenings = $derived(
    [...new Set(mocks.map(headOf))].map((head) => ({
      head,
      own: mocks.filter((one) => headOf(one) === head)
    }))
  );
</script>

<section>
  <h2>Who plays to whom <span>in the next seven days</span></h2>
  {#if mocks.length === 0}<p class="soft">Nobody yet.</p>{/if}
  {#each evenings as { head, own } (head)}
    <div class="evening">
      <h3 dir="auto">
        {#if own[0]?.evening}<a href="/studio/evening/{own[0].evening}">{head}</a>{:else}{head}{/if}
      </h3>
      <ul>
        {#each own as { id, candidate, stage, time, hears } (id)}
          <li>
            <span class="time">{time ?? ''}</span>
            <span
              ><a href="/mocks/{id}/panel"><bdi>{candidate}</bdi></a>, {stage}{hears.length > 0
                ? `: ${LIST.format(hears)}`
                : ''}</span
            >
          </li>
        {/each}
      </ul>
    </div>
  {/each}
  <p><a href="/studio/evening">Prepare a mock evening</a></p>
</section>

<style>
  section {
    margin-top: 32px;
  }
  h2 {
    margin-bottom: 8px;
  }
  h2 span {
    margin-left: 6px;
    color: var(--soft);
    font-size: 0.93rem;
    font-weight: 400;
  }
  .evening {
    display: grid;
    grid-template-columns: minmax(160px, 240px) 1fr;
    gap: 2px 24px;
    padding: 6px 0;
    border-top: 1px solid var(--rule);
  }
  h3 {
    font-size: 1rem;
    font-weight: 500;
  }
  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: 56px 1fr;
    min-height: 26px;
  }
  .time {
    font-weight: 600;
  }
  @media (max-width: 720px) {
    .evening {
      display: block;
    }
  }
</style>
