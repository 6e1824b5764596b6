'use client';

import { ReactCompareSlider, ReactCompareSliderImage } from 'react-compare-slider';

interface Picture {
  src: string;
  alt: string;
}

/** The slider itself, in a file of its own so that it is loaded when it is needed. */
export function CompareSlider({ before, after }: { before: Picture; after: Picture }) {
  return (
    <ReactCompareSlider
      className="beforeAndAfter"
      itemOne={<ReactCompareSliderImage {...before} />}
      itemTwo={<ReactCompareSliderImage {...after} />}
      style={{ width: '100%', aspectRatio: '4 / 3' }}
    />
  );
}
