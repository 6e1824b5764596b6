'use client';

import { Box } from '@chakra-ui/react';
import type { EChartsCoreOption } from 'echarts/core';
import { useEffect, useRef } from 'react';

/** A chart, loaded when it is needed. The words or table beside it say the same; `label` tells where. */
export function Chart({
  option,
  label,
  height = 260,
}: {
  option: (colour: (token: string) => string) => EChartsCoreOption;
  label: string;
  height?: number;
}) {
  const ref = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let gone = false;
    let tidy = () => {};
    void import('./echarts').then(({ init }) => {
      const place = ref.current;
      if (gone || !place) return;
      const chart = init(place, undefined, { renderer: 'svg' });
      const style = getComputedStyle(document.documentElement);
      const colour = (token: string) => style.getPropertyValue(`--chakra-colors-${token}`).trim();
      const fontFamily = style.getPropertyValue('--chakra-fonts-body').trim();
      const draw = () => chart.setOption({ textStyle: { fontFamily }, ...option(colour) }, true);
      draw();
      const resized = new ResizeObserver(() => chart.resize());
      resized.observe(place);
      // Light and dark change the class of the page, not the props of the chart.
      const themed = new MutationObserver(draw);
      themed.observe(document.documentElement, { attributes: true, attributeFilter: ['class'] });
      tidy = () => {
        resized.disconnect();
        themed.disconnect();
        chart.dispose();
      };
    });
    return () => {
      gone = true;
      tidy();
    };
  }, [option]);
  return <Box ref={ref} role="img" aria-label={label} width="100%" height={`${height}px`} />;
}
