import type { Post } from '@glen/contract';
import { Pennant } from '../../ui/Pennant.js';
import { DeliveryLine, type Place } from './DeliveryLine.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

function Where({ place }: { place: Place }) {
  const { where, address } = place;
  if (address === null) return where;
  return (
    <a className="hover:underline" href={address} target="_blank" rel="noreferrer">
      {where}
    </a>
  );
}

function readersInWords({ readers, readerCount, lost }: Place): string {
  const read =
    readers === 'class'
      ? fill(say.readThere, { readerCount })
      : fill(say.shownToOnly, { readerCount });
  return lost ? fill(say.itsMakerNoLongerHosts, { read }) : read;
}

interface PlacesProps {
  post: Post;
  zone: string;
  /** What is to be done by hand shows at once what to paste. */
  open: boolean;
}

function PlaceItem({ place, post, zone, open }: PlacesProps & { place: Place }) {
  const own = post.deliveries.filter((d) => d.placeId === place.id);
  return (
    <li className="flex gap-3 rounded-small bg-shade/50 px-3 py-1.5">
      <span className="mt-1">
        <Pennant pennant={place.pennant} size="small" />
      </span>
      <div className="min-w-0 flex-1">
        <p className="text-md">
          <Where place={place} /> <span className="text-soft">· {readersInWords(place)}</span>
        </p>
        {own.length > 0 && (
          <ul>
            {own.map((d) => (
              <DeliveryLine
                key={d.key}
                delivery={d}
                place={place}
                mayEdit={post.mayEdit}
                zone={zone}
                start={open && (d.state === 'todo' || d.state === 'takedown')}
              />
            ))}
          </ul>
        )}
      </div>
    </li>
  );
}

/** Every place of a post with what stands there, since when and who reads it. */
export function PostPlaces(props: PlacesProps) {
  return (
    <ul className="mt-2 grid gap-2" aria-label={say.whereItStands}>
      {props.post.places.map((place) => (
        <PlaceItem key={place.id} {...props} place={place} />
      ))}
    </ul>
  );
}
