import { getBoundsD, type PathsD } from 'clipper2-ts';

/** Contours of two areas that may meet one another, and none of the others. */
export interface Cluster {
  readonly subject: PathsD;
  readonly clip: PathsD;
}

/**
 * Contours sorted into clusters whose boxes lie apart. Whether a place is filled, by either rule, is decided by contours around it alone, so
 * that areas are combined cluster by cluster: the same area, and far quicker, since a sweep over all of them passes every edge of a line of
 * letters at each of their corners.
 */
export function clustersOf(subject: PathsD, clip: PathsD): readonly Cluster[] {
  const all = [...subject.map((path) => ({ path, from: 'subject' as const })), ...clip.map((path) => ({ path, from: 'clip' as const }))]
    .map(({ path, from }) => ({ path, from, box: getBoundsD(path) }))
    .sort((one, other) => one.box.left - other.box.left);
  const leads = all.map((_, place) => place);
  const leadOf = (place: number): number => {
    let at = place;
    while (leads[at] !== at) {
      const up = leads[at] as number;
      leads[at] = leads[up] as number;
      at = up;
    }
    return at;
  };
  let open: number[] = [];
  all.forEach(({ box }, place) => {
    open = open.filter((other) => (all[other] as (typeof all)[number]).box.right >= box.left);
    for (const other of open) {
      const { top, bottom } = (all[other] as (typeof all)[number]).box;
      if (top <= box.bottom && bottom >= box.top) leads[leadOf(other)] = leadOf(place);
    }
    open.push(place);
  });
  const clusters = new Map<number, Cluster>();
  all.forEach(({ path, from }, place) => {
    const lead = leadOf(place);
    const cluster = clusters.get(lead) ?? { subject: [], clip: [] };
    clusters.set(lead, cluster);
    cluster[from].push(path);
  });
  return [...clusters.values()];
}
