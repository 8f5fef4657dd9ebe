<script lang="ts">
  import type { OwnTexture } from '$core/index';
  import { readTexture } from '$lib/client/read-texture';
  import { sentences } from '$lib/client/request';
  import FileLink from '$lib/ui/FileLink.svelte';
  import Tick from '$lib/ui/Tick.svelte';

  interface Props {
    value: OwnTexture | undefined;
    hint: string;
    choose: (value: OwnTexture) => void;
  }
  const { value, hint, choose }: Props = $props();
  let said = $state('');
  let canvas: HTMLCanvasElement | undefined = $state();

  async function bring(file: File): Promise<void> {
    const read = await readTexture(file);
    said = read.ok ? '' : sentences(read.problems);
    if (read.ok) choose(value?.light ? { ...read.value, light: true } : read.value);
  }
  function turn(own: OwnTexture, light: boolean): void {
    const { light: _, ...rest } = own;
    choose(light ? { ...rest, light: true } : rest);
  }
  $effect(() => {
    const context = canvas?.getContext('2d');
    if (!context || !value) return;
    const tones = atob(value.tones);
    const picture = context.createImageData(value.columns, value.rows);
    for (let at = 0; at < tones.length; at++) {
      const tone = tones.charCodeAt(at);
      picture.data.set([tone, tone, tone, 255], at * 4);
    }
    context.putImageData(picture, 0, 0);
  });
</script>

<div class="own">
  {#if value}
    <canvas bind:this={canvas} width={value.columns} height={value.rows}></canvas>
  {/if}
  <p>
    {#if value}<span class="name">{value.name}</span>{/if}
    <FileLink
      label={value ? 'Another picture' : 'Bring a picture in'}
      {hint}
      accept="image/png,image/jpeg,image/webp,image/avif"
      take={([file]) => file && void bring(file)}
    />
  </p>
</div>
{#if said}<p class="fault" role="alert">{said}</p>{/if}
{#if value}
  {@const own = value}
  <Tick
    label="Light places first"
    hint="Wears the light places of the picture instead of its dark ones"
    checked={own.light === true}
    change={(light) => turn(own, light)}
  />
{/if}

<style>
  .own {
    display: flex;
    align-items: center;
    gap: 10px;
    padding: 6px 0;
  }
  canvas {
    width: 64px;
    height: 64px;
    border: 1px solid var(--color-rule);
    object-fit: cover;
  }
  .name {
    display: block;
    overflow-wrap: anywhere;
  }
  .fault {
    color: var(--color-rust);
    font-size: 12px;
  }
</style>
