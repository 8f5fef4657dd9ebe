<script lang="ts">
  import { strongestWishes, VOICE_SCALE_NAMES, VOICE_SCALES, type Brief, type VoiceScale } from '$core/index';
  import type { OpenDocument } from '$lib/client/work/open-document.svelte';

  const { brief }: { brief: OpenDocument<Brief> } = $props();
  const id = $props.id();
  const voice = $derived(brief.content.voice);
  const wishes = $derived(strongestWishes(voice));

  const set = (scale: VoiceScale, value: number): Brief => ({ ...brief.content, voice: { ...voice, [scale]: value } });
  function clear(scale: VoiceScale): void {
    const { [scale]: _gone, ...rest } = voice;
    brief.commit('Voice', { ...brief.content, voice: rest });
  }
</script>

<section aria-label="Voice">
  <h2 class="label">Voice</h2>
  {#each VOICE_SCALE_NAMES as scale (scale)}
    {@const [low, high] = VOICE_SCALES[scale]}
    <div class="scale">
      <label for="{id}-{scale}" class="quiet">{low}</label>
      <input
        title="How the brand should sound between these two; faces are ordered by it"
        id="{id}-{scale}"
        type="range"
        min="0"
        max="100"
        aria-label="{low} to {high}"
        aria-valuetext={voice[scale] === undefined ? 'not said' : undefined}
        class:unset={voice[scale] === undefined}
        value={voice[scale] ?? 50}
        oninput={(event) => brief.preview(set(scale, Number(event.currentTarget.value)))}
        onchange={() => brief.commit('Voice')}
      />
      <span class="quiet">{high}</span>
      <button
        title="Says nothing about this any more"
        class="quiet"
        disabled={voice[scale] === undefined}
        aria-label="Leave {low} to {high} open"
        onclick={() => clear(scale)}>×</button
      >
    </div>
  {/each}
  <p class="quiet">
    {#if wishes.length > 0}moves the trials most: {#each wishes as wish, index (index)}{index > 0 ? ' · ' : ''}<strong>{wish.words}</strong>
        {wish.amount.toFixed(2)}{/each}
    {:else}Nothing said yet: no face is nearer than another.{/if}
  </p>
</section>

<style>
  h2 {
    margin-bottom: 4px;
    font-family: var(--font-sans);
  }
  .scale {
    display: grid;
    grid-template-columns: 70px 1fr 62px 14px;
    align-items: center;
    gap: 12px;
    height: 25px;
  }
  .scale label {
    text-align: right;
  }
  .scale button:disabled {
    visibility: hidden;
  }
  input {
    height: 20px;
    appearance: none;
    background: linear-gradient(var(--color-rule), var(--color-rule)) center / 100% 1px no-repeat;
  }
  input::-webkit-slider-thumb {
    width: 11px;
    height: 11px;
    appearance: none;
    background: var(--color-plum);
    cursor: grab;
    rotate: 45deg;
  }
  input.unset::-webkit-slider-thumb {
    border: 1px solid var(--color-quiet);
    background: var(--color-paper);
  }
  strong {
    color: var(--color-ink);
  }
  p {
    margin-top: 4px;
    font-size: 12px;
  }
</style>
