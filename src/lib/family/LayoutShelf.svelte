<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { FAMILY_PLACE_NAMES, FAMILY_PLACES, FAMILY_ROLES, standing, standsInInk, writeRecipe, type MarkRole } from '$core/index';
  import { request, sentences } from '$lib/client/request';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import { useFamilyDesk, type OfferedLayout } from './family-desk.svelte';
  import MayChange from '$lib/ui/MayChange.svelte';

  const desk = useFamilyDesk();
  let working = $state('');
  let roles: Readonly<Record<string, MarkRole>> = $state.raw({});
  const roleOf = (layout: OfferedLayout) => roles[layout.id] ?? layout.role;

  const NAMES: { readonly [R in MarkRole]: string } = {
    primary: 'Primary',
    secondary: 'Secondary',
    submark: 'Submark',
    icon: 'Icon',
    watermark: 'Watermark',
    piece: 'Piece',
  };
  function freeName(role: MarkRole): string {
    const taken = new Set(desk.marks.map(({ name }) => name));
    if (!taken.has(NAMES[role])) return NAMES[role];
    let n = 2;
    while (taken.has(`${NAMES[role]} ${n}`)) n++;
    return `${NAMES[role]} ${n}`;
  }
  async function take(layout: OfferedLayout): Promise<void> {
    if (working !== '' || !desk.source) return;
    working = layout.id;
    const role = roleOf(layout);
    const answer = await request<{ name: string }>('POST', `/api/brands/${desk.brand.slug}/marks`, {
      name: freeName(role),
      role,
      gesture: `Derive: ${layout.label}`,
      recipe: writeRecipe(standing(layout.recipe, standsInInk(desk.source.recipe))),
    });
    working = '';
    desk.said = answer.ok
      ? `“${answer.value.name}” is in the family now; it follows “${desk.source.name}” part by part.`
      : sentences(answer.problems);
    if (answer.ok) await invalidateAll();
  }
</script>

<section aria-label="Layouts to take">
  <div class="head">
    <h2>Derive a mark</h2>
    <label class="quiet"
      >from
      <select
        title="The mark whose parts are laid anew"
        class="lone-field"
        aria-label="Derive from"
        value={desk.source?.id}
        onchange={(event) => (desk.from = event.currentTarget.value)}
      >
        {#each desk.kept as mark (mark.id)}<option value={mark.id}>{mark.name}</option>{/each}
      </select></label
    >
  </div>
  <fieldset>
    <legend class="quiet">best for</legend>
    <label class:current={desk.place === undefined}
      ><input
        title="Layouts for every place"
        class="over-label"
        type="radio"
        name="place"
        checked={desk.place === undefined}
        onchange={() => (desk.place = undefined)}
      />all</label
    >
    {#each FAMILY_PLACE_NAMES as name (name)}
      <label class:current={desk.place === name} title="{FAMILY_PLACES[name].widthPx} × {FAMILY_PLACES[name].heightPx} px"
        ><input
          title="Only layouts that suit this place"
          class="over-label"
          type="radio"
          name="place"
          checked={desk.place === name}
          onchange={() => (desk.place = name)}
        />{FAMILY_PLACES[name].label}</label
      >
    {/each}
    <span class="quiet count" role="status"
      >{desk.left > 0 ? `measuring ${desk.offered.length - desk.left} of ${desk.offered.length}` : ''}</span
    >
  </fieldset>
  {#if desk.problem}<p class="fault" role="alert">{desk.problem}</p>{/if}
  <ul>
    {#each desk.offered as layout (layout.id)}
      {@const fit = desk.place && layout.fits?.[desk.place]}
      <li>
        <MayChange
          ><button
            class="take"
            aria-label="Take {layout.label} as {roleOf(layout)}"
            title="Take it into the family: every part goes on following {desk.source?.name ?? ''}"
            disabled={working !== ''}
            onclick={() => void take(layout)}
          >
            <span class="picture" style:background={desk.palette.paper}
              ><MarkPicture picture={desk.drawing.pictures.get(layout.key)} label="" air={0.02} /></span
            >
            <span class="words">{layout.label}</span>
          </button></MayChange
        >
        <span class="facts quiet">
          <span title="The longer side from which its strokes, gaps and smallest words hold on a screen"
            >{layout.small ? `safe from ${layout.small.safePx} px` : '…'}</span
          >
          {#if fit !== undefined}<meter
              min="0"
              max="1"
              value={fit}
              aria-label="fit for {desk.place}"
              title="fills {Math.round(fit * 100)} of 100"
            ></meter>{/if}
          <select
            title="What the new mark is within the family"
            aria-label="Role of {layout.label}"
            value={roleOf(layout)}
            onchange={(event) => (roles = { ...roles, [layout.id]: event.currentTarget.value as MarkRole })}
          >
            {#each FAMILY_ROLES as role (role)}<option>{role}</option>{/each}
          </select>
        </span>
      </li>
    {:else}
      <p class="quiet">
        {desk.source
          ? 'A mark with a name, or a symbol, offers its layouts here.'
          : 'Begin a primary in the Marks room; its layouts stand here.'}
      </p>
    {/each}
  </ul>
</section>

<style>
  .head {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
  }
  .head select {
    min-width: 130px;
    margin-left: 6px;
  }
  fieldset {
    display: flex;
    align-items: baseline;
    gap: 14px;
    margin: 8px 0 12px;
    border-bottom: 1px solid var(--color-rule);
  }
  legend {
    float: left;
  }
  fieldset label {
    position: relative;
    margin-bottom: -1px;
    padding: 4px 0;
    border-bottom: 2px solid transparent;
  }
  fieldset label.current {
    border-color: var(--color-plum);
    color: var(--color-plum);
    font-weight: 600;
  }
  fieldset label:has(:focus-visible) {
    outline: 2px solid var(--color-plum);
    outline-offset: 2px;
  }
  .count {
    flex: 1;
    text-align: right;
  }
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(168px, 1fr));
    gap: 14px 12px;
  }
  .take {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    width: 100%;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
    text-align: left;
  }
  .take:hover {
    border-color: var(--color-plum);
  }
  .picture {
    height: 112px;
    padding: 12px 14px;
  }
  .words {
    overflow: hidden;
    padding: 4px 8px;
    border-top: 1px solid var(--color-rule);
    font-weight: 600;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .facts {
    display: flex;
    align-items: center;
    gap: 8px;
    justify-content: space-between;
    font-size: 12px;
    white-space: nowrap;
  }
  .facts select {
    width: 92px;
    height: 26px;
    padding: 0 20px 0 4px;
    border: 0;
    background-color: transparent;
    font-size: 12px;
  }
  meter {
    width: 44px;
    height: 6px;
  }
  meter::-webkit-meter-bar {
    border: 0;
    border-radius: 0;
    background: var(--color-rule);
  }
  meter::-webkit-meter-optimum-value {
    background: var(--color-moss);
  }
  .fault {
    color: var(--color-rust);
  }
</style>
