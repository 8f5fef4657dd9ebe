<script lang="ts">
  import { TREATMENT_STACKS, type KnownPart, type ScreenPicture, type TreatmentStack } from '$core/index';
  import DrawnChoices from '../fields/DrawnChoices.svelte';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: KnownPart } = $props();
  const table = useTable();
  const [TRIES, AGAIN_MS] = [4, 600];
  let shown = $state(false);
  let pictures: Readonly<Record<string, ScreenPicture>> = $state.raw({});

  // Drawn on the part itself, one after the other, so that the stage never waits for them.
  $effect(() => {
    if (!shown || table.desk.rests === 0) return;
    const { id, treatments = [] } = part;
    let wanted = true;
    /** @returns whether it could be asked for */
    const draw = async (stack: TreatmentStack): Promise<boolean> => {
      try {
        const tried = table.treating.adding(id, stack.treatments)(treatments);
        const picture = await table.desk.ask((draughtsman) => draughtsman.tried(table.info.id, id, tried, stack.id));
        if (wanted && picture) pictures = { ...pictures, [stack.id]: picture };
        return true;
      } catch {
        return false;
      }
    };
    const drawAll = async () => {
      let left: readonly TreatmentStack[] = TREATMENT_STACKS;
      for (let tries = 0; tries < TRIES && left.length > 0; tries++) {
        if (tries > 0) await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
        // What one look runs into keeps no other from being shown.
        const failed: TreatmentStack[] = [];
        for (const stack of left) {
          if (!wanted) return;
          if (!(await draw(stack))) failed.push(stack);
        }
        left = failed;
      }
    };
    void drawAll();
    return () => (wanted = false);
  });
</script>

<DrawnChoices
  label="Looks to start from"
  hint="A few treatments that belong together, shown on this part"
  fold="Fold the looks"
  choices={TREATMENT_STACKS.map(({ id, label, hint }) => ({ id, label, hint, picture: pictures[id] }))}
  take={(id) => {
    const look = TREATMENT_STACKS.find((each) => each.id === id);
    if (look) table.treating.add(look.label, look.treatments);
  }}
  pictureHighPx={44}
  bind:shown
/>
