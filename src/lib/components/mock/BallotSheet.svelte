<!-- A ballot on paper: the number, what is heard, three words to ring for each element, and lines for remarks by bar. -->
<script lang="ts">
  import { MOCK_WORDS } from '$lib/core/record/words';
  import { dayOf, sayBars, sayLongDate } from '$lib/core/units';
  import type { PaperBallot } from '$lib/schema/mock-view';

  let { ballot, isLetter }: { ballot: PaperBallot; isLetter: boolean } = $props();

  const LINES = [0, 1];
</script>

<article class="sheet" class:letter={isLetter}>
  <header>
    <p class="who">candidate <b>{ballot.number}</b></p>
    <p>{sayLongDate(dayOf(ballot.date))}{ballot.time ? `, ${ballot.time}` : ''}</p>
    <p class="juror">
      juror: {#if ballot.juror}<bdi>{ballot.juror}</bdi>{:else}<i></i>{/if}
    </p>
  </header>
  <p class="how">
    Ring a word, or leave it open. A remark begins with its bar. Nothing is said between jurors.
  </p>
  {#each ballot.items as item, i (i)}
    <section>
      <h2>{i + 1}. <bdi>{item.name}</bdi>, {sayBars(item)}</h2>
      <table>
        <tbody>
          {#each ballot.elements as element (element)}
            <tr>
              <th scope="row">{element}</th>
              {#each MOCK_WORDS as word (word)}<td>{word}</td>{/each}
            </tr>
          {/each}
        </tbody>
      </table>
      {#each LINES as line (line)}<p class="line"><span>bar</span></p>{/each}
    </section>
  {/each}
</article>

<style>
  .sheet {
    width: 210mm;
    margin: 0 auto 32px;
    padding: 12mm;
    border: 1px solid #9a9a9a;
    background: #fff;
    color: #000;
    font-size: 10.5pt;
    line-height: 1.3;
  }
  .letter {
    width: 8.5in;
  }
  header {
    display: flex;
    gap: 8mm;
    align-items: baseline;
    justify-content: space-between;
    padding-bottom: 2mm;
    border-bottom: 1.5pt solid #000;
  }
  .who b {
    font-size: 26pt;
    line-height: 1;
  }
  .juror i {
    display: inline-block;
    width: 45mm;
    border-bottom: 0.5pt solid #000;
  }
  .how {
    margin: 2mm 0 0;
    color: #3a3a3a;
  }
  section {
    margin-top: 4mm;
    break-inside: avoid;
  }
  h2 {
    margin: 0 0 1mm;
    font-size: 12pt;
  }
  table {
    width: 100%;
    border-top: 0.75pt solid #000;
  }
  th,
  td {
    width: 22%;
    padding: 1mm 0;
    border-bottom: 0.5pt solid #9a9a9a;
    color: #000;
    font-size: 10.5pt;
    font-weight: 400;
    text-align: left;
  }
  th {
    width: 34%;
  }
  .line {
    height: 7mm;
    border-bottom: 0.5pt solid #9a9a9a;
  }
  .line span {
    color: #3a3a3a;
    font-size: 8.5pt;
    line-height: 9mm;
  }
  @media print {
    .sheet {
      width: auto;
      margin: 0;
      padding: 0;
      border: 0;
      break-after: page;
    }
  }
</style>
