<!-- Tops every screen of an audition: whose it is, where one can go, and the countback one line high. -->
<script lang="ts">
  import { page } from '$app/state';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { SeasonHeadView } from '$lib/schema/view';
  import CountbackLine from './CountbackLine.svelte';

  let {
    head,
    isTeacher,
    isAlone = false
  }: {
    head: SeasonHeadView;
    isTeacher: boolean;
    /** Teacher and candidate in one: today comes first, and there is no lesson. */
    isAlone?: boolean;
  } = $props();

  const isTaught = $derived(isTeacher && !isAlone);

  const base = $derived(`/auditions/${head.auditionId}`);
  const places = $derived([
    ...(isTaught ? [] : [[`${base}/today`, 'Today'] as const]),
    [base, 'Countback'],
    ...(isTaught ? [[`${base}/lesson`, 'Lesson'] as const] : []),
    [`${base}/mocks`, 'Mocks'],
    [`${base}/list`, 'List'],
    [`${base}/log`, 'Log'],
    [`${base}/readiness`, 'Readiness'],
    [`${base}/call`, 'Call'],
    [`/candidates/${head.candidateId}/time?from=${head.auditionId}`, 'Time']
  ] as const);
  const isAtHome = $derived(page.url.pathname === base || page.url.pathname.startsWith(`${base}/layings`));
  /** The ladder up to the round is that page's countback. */
  const isAtMocks = $derived(page.url.pathname === `${base}/mocks`);
  // spots are of the list's bars
  const path = $derived(page.url.pathname.replace(`${base}/spots`, `${base}/list`));
  const isHere = (href: string) => (href === base ? isAtHome : path.startsWith(href.split('?')[0]!));
</script>

<div class="head">
  <div class="who">
    <h1>
      <a href="/candidates/{head.candidateId}"><bdi>{head.candidateName}</bdi></a>
    </h1>
    <p>
      {head.instruments} · {head.auditionName}{#if head.next},
        <a class="round" href="{base}/day"
          >{head.next.name}
          {sayDate(dayOf(head.next.date))}{head.next.time ? `, ${head.next.time}` : ''}</a
        >{:else if head.isOver},
        <a class="round" href="{base}/day">the day, and how it went</a>{/if}
    </p>
  </div>
  <nav aria-label="Audition">
    {#each places as [href, name] (href)}<a {href} aria-current={isHere(href) ? 'page' : undefined}>{name}</a
      >{/each}
  </nav>
</div>
{#if !isAtHome && !isAtMocks && head.next}<CountbackLine {head} />{/if}

<style>
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    justify-content: space-between;
    gap: 4px 24px;
    padding-top: 14px;
  }
  .who {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 2px 14px;
    min-width: 0;
  }
  h1 a {
    color: inherit;
    text-decoration: none;
  }
  h1 a:hover {
    text-decoration: underline;
  }
  p {
    color: var(--soft);
  }
  nav {
    display: flex;
    flex-wrap: wrap;
    gap: 0 18px;
  }
  .round {
    color: inherit;
    text-decoration-color: var(--rule);
  }
  nav a {
    padding: 4px 0;
    color: var(--soft);
    text-decoration: none;
  }
  nav a:hover {
    text-decoration: underline;
  }
  nav a[aria-current] {
    border-bottom: 2px solid var(--ink);
    color: var(--ink);
    font-weight: 650;
  }
  @media (max-width: 720px) {
    nav {
      gap: 0 14px;
    }
    nav a {
      min-height: 32px;
    }
  }
</style>
