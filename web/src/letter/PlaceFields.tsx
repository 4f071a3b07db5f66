import { Choice } from '../frame/Choice';
import { apart, byItself, isApart, placeIn, together, type Place, type Shape } from './placing';
import type { Styling } from './useStyling';

/** Where captions stand, in every shape or in the one that is seen. */
export function PlaceFields({
  styling: { style, keep },
  shape,
  standing,
}: {
  styling: Styling;
  shape: Shape;
  /** Where they stand at the moment. */
  standing: Place;
}) {
  const put = placeIn(style, shape);
  const name = `${shape.width}:${shape.height}`;
  return (
    <>
      <Choice
        label="Lines"
        value={style.align}
        options={[
          { value: 'LEFT', name: 'left' },
          { value: 'CENTRE', name: 'in the middle' },
          { value: 'RIGHT', name: 'right' },
        ]}
        onChoose={(align) => keep({ align })}
      />
      <Choice
        label="Place holds"
        value={isApart(style, shape) ? 'here' : 'everywhere'}
        options={[
          { value: 'everywhere', name: 'in every shape' },
          { value: 'here', name: `in ${name} only` },
        ]}
        onChoose={(where) => keep(where === 'here' ? apart(style, shape, put ?? standing) : together(style, shape))}
      />
      <p className="text-[12px] text-soft">
        {put ? 'Where it was put; drag it on the plate.' : 'Above what the destination covers; drag it on the plate.'}
      </p>
      {put && (
        <button className="button button-small justify-self-start" onClick={() => keep(byItself(style, shape))}>
          {isApart(style, shape) ? 'As in the other shapes' : 'By itself'}
        </button>
      )}
    </>
  );
}
