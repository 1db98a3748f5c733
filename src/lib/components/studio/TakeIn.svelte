<!-- Takes an archive in: sends the file, shows how far it is, and can be stopped. -->
<script lang="ts">
  import type { Intake } from '$lib/schema/view';
  import { readAnew } from '$lib/state/on-the-way';

  let files = $state<FileList>();
  let said = $state('');
  let fault = $state('');
  let done = $state('');
  let stopper = $state.raw<AbortController | null>(null);

  function sayStep(line: Intake): string {
    if (line.step === 'unpack') return `Unpacking, ${Math.ceil(line.done / 1024)} kB read.`;
    if (line.step === 'check') return `Looking it over, ${line.done} so far.`;
    return line.step === 'take in' ? `Taking in, ${line.done} of ${line.of}.` : '';
  }

  function hear(line: Intake): void {
    if (line.step === 'fault') fault = line.says;
    else if (line.step === 'done') {
      const { candidates, lists } = line.taken;
      const more = lists.length > 0 ? `; lists: ${lists.join(', ')}` : '';
      done = `Taken in: ${candidates.join(', ')}${more}. Their plans are laid in the next minutes. Make each candidate a new link to sign in.`;
    } else said = sayStep(line);
  }

  async function listen(body: ReadableStream<Uint8Array>): Promise<void> {
    const reader = body
      .pipeThrough(new TextDecoderStream() as ReadableWritablePair<string, Uint8Array>)
      .getReader();
    let rest = '';
    for (let part = await reader.read(); !part.done; part = await reader.read()) {
      const lines = (rest + part.value).split('\n');
      rest = lines.pop()!;
      for (const line of lines) hear(JSON.parse(line) as Intake);
    }
  }

  async function send(event: SubmitEvent) {
    event.preventDefault();
    const file = files?.[0];
    [fault, done, said] = ['', '', ''];
    if (!file) {
      fault = 'Choose a file first.';
      return;
    }
    said = 'Sending the file ...';
    stopper = new AbortController();
    try {
      const answer = await fetch('/studio/archive/take-in', {
        method: 'POST',
        headers: { 'content-type': 'application/zip', accept: 'application/json' },
        body: file,
        signal: stopper.signal
      });
      if (answer.ok && answer.body) await listen(answer.body);
      else fault = ((await answer.json()) as { message: string }).message;
    } catch {
      fault = stopper.signal.aborted
        ? 'Stopped. Nothing was changed.'
        : 'The studio did not answer. Look whether it runs, and send the file once more.';
    }
    stopper = null;
    said = '';
    if (done) await readAnew();
  }
</script>

{#if fault}<p class="notice" role="alert">{fault}</p>{/if}
<p role="status" class:notice={done !== ''}>{done || said}</p>
<form onsubmit={send}>
  <label for="file">File</label>
  <input id="file" type="file" accept=".zip,application/zip" bind:files />
  {#if stopper}<button type="button" class="action" onclick={() => stopper?.abort()}>Stop</button>
  {:else}<button class="action">Take it in</button>{/if}
</form>

<style>
  form {
    display: flex;
    margin-top: 8px;
    flex-wrap: wrap;
    gap: 12px;
    align-items: center;
  }
</style>
