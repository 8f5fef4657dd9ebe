<script lang="ts">
  import { GROUND_KINDS, GROUND_NAMES, groundOf, onGround, TEXTURES, type Ground, type PictureFile } from '$core/index';
  import { request, sentences } from '$lib/client/request';
  import { bringPicture, type OfferedPicture } from '$lib/client/bring-picture';
  import AmountField from '$lib/ui/AmountField.svelte';
  import Choice from '$lib/ui/Choice.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import PictureChoice from '$lib/ui/PictureChoice.svelte';
  import { useTable } from './table/table.svelte';

  const table = useTable();
  const ground = $derived(groundOf(table.open.recipe));
  const address = $derived(`/api/brands/${table.brand.slug}/pictures`);
  /** How far the picture is blurred, in percent of its longer side. */
  const SOFT = { sharp: undefined, soft: 0.8, softer: 2.5 } as const;
  type Softness = keyof typeof SOFT;
  const softness = $derived<Softness>(!ground.picture?.softened ? 'sharp' : ground.picture.softened.percent > 1.5 ? 'softer' : 'soft');
  const whole = $derived(ground.picture?.softened?.from ?? ground.picture?.sha256);

  let pictures: readonly OfferedPicture[] = $state.raw([]);
  /** The picture is chosen before there is one to stand on. */
  let choosing = $state(false);
  let working = $state(false);
  let said = $state('');
  const kind = $derived(choosing ? 'picture' : ground.kind);

  async function list(): Promise<void> {
    const answer = await request<{ readonly pictures: readonly OfferedPicture[] }>('GET', address);
    if (answer.ok) pictures = answer.value.pictures;
    else said = sentences(answer.problems);
  }
  $effect(() => {
    if (kind === 'picture' && pictures.length === 0) void list();
  });

  function preview(change: Partial<Ground>): void {
    table.previewRecipe(onGround(table.open.recipe, table.palette, change));
  }
  function change(next: Partial<Ground>): void {
    preview(next);
    table.commit('Ground');
  }
  function stand(on: Ground['kind']): void {
    said = '';
    choosing = on === 'picture' && ground.kind !== 'picture';
    if (!choosing && on !== ground.kind) change({ kind: on });
  }

  /** Onto a picture, under as much of the ground's color as the words need. */
  async function onto(picture: PictureFile): Promise<void> {
    working = true;
    const wanted = { kind: 'picture', picture } as const;
    const least = await table.desk.ask((draughtsman) => draughtsman.groundVeil(table.info.id, wanted)).catch(() => undefined);
    change({ ...wanted, veil: least?.opacity ?? ground.veil });
    said = !least
      ? 'There are no words on it to be read: the veil is as it was.'
      : least.passes
        ? `The words are read under a veil of ${Math.round(least.opacity * 100)} %.`
        : 'The words are too near to the ground’s own color: no veil is enough.';
    [working, choosing] = [false, false];
  }
  async function choose(sha256: string | undefined): Promise<void> {
    const found = pictures.find((each) => each.sha256 === sha256);
    if (found) await onto({ sha256: found.sha256, fileWidthPx: found.widthPx, fileHeightPx: found.heightPx });
    else stand('plain');
  }
  async function bring(file: File): Promise<void> {
    working = true;
    const brought = await bringPicture(table.brand.slug, file);
    working = false;
    if (!brought.ok) return void (said = sentences(brought.problems));
    await list();
    await choose(brought.value.sha256);
  }
  async function soften(to: Softness): Promise<void> {
    const [picture, percent] = [ground.picture, SOFT[to]];
    if (!picture || whole === undefined) return;
    if (percent === undefined) {
      const before = pictures.find(({ sha256 }) => sha256 === whole);
      const size = before ? { fileWidthPx: before.widthPx, fileHeightPx: before.heightPx } : {};
      return onto({ ...picture, ...size, sha256: whole, softened: undefined });
    }
    working = true;
    const made = await request<OfferedPicture>('POST', `${address}/${whole}/softened`, { percent });
    working = false;
    if (!made.ok) return void (said = sentences(made.problems));
    const { sha256, widthPx, heightPx } = made.value;
    await onto({ ...picture, sha256, fileWidthPx: widthPx, fileHeightPx: heightPx, softened: { from: whole, percent } });
  }
</script>

<Pick
  label="Stands on"
  hint={GROUND_KINDS[kind].hint}
  value={kind}
  options={GROUND_NAMES.map((value) => ({ value, label: GROUND_KINDS[value].label }))}
  choose={stand}
/>
{#if kind === 'textured'}
  <Pick
    label="Texture"
    hint="What lies faintly on the ground"
    value={ground.texture}
    options={Object.entries(TEXTURES).map(([value, { label }]) => ({ value: value as Ground['texture'], label }))}
    choose={(texture) => change({ texture })}
  />
{:else if kind === 'picture'}
  <PictureChoice
    legend="Picture"
    brand={table.brand.slug}
    {pictures}
    chosen={whole ? [whole] : []}
    {working}
    choose={(sha256, on) => void choose(on ? sha256 : undefined)}
    bring={(file) => void bring(file)}
  />
  {#if ground.picture}
    <Choice
      label="Blur"
      hint="A blurred picture lets words be read under less of a veil"
      value={softness}
      options={(['sharp', 'soft', 'softer'] as const).map((value) => ({ value, label: value }))}
      choose={(to) => void soften(to)}
    />
    <AmountField
      label="Veil"
      hint="How much of the ground’s color lies over the picture"
      unit="%"
      min={0}
      max={100}
      digits={0}
      value={ground.veil * 100}
      preview={(percent) => preview({ veil: percent / 100 })}
      commit={() => table.commit('Veil')}
    />
    <button
      title="Measures where the words lie and takes the thinnest veil on which they are read"
      class="link"
      disabled={working}
      onclick={() => ground.picture && void onto(ground.picture)}>As much veil as the words need</button
    >
  {/if}
{/if}
<p class="quiet" role="status">{working ? 'Working on the picture …' : said}</p>

<style>
  .link {
    padding: 4px 0;
    color: var(--color-plum);
    font-weight: 600;
    font-size: 13px;
  }
  p {
    padding-bottom: 4px;
    font-size: 12px;
  }
</style>
