import { GREY_SHEET, greyBoxes, printedGrey } from '@/core/picture/greySheetPlan';

/** How greys are laid for a photograph, drawn: flat beside the piece, near the hidden patch, light from the side of the sky. */
export function GreysLaid() {
  const grey = (l: number) => `rgb(${[0, 1, 2].map(() => printedGrey(l)).join()})`;
  const scale = 0.62;
  return (
    <svg
      viewBox="0 0 400 236"
      role="img"
      aria-label="The piece lies on a plain bench. Below it, along its long side and close to it, lies the sheet of greys, flat. The hidden patch is in view. Daylight comes from a window at the side, without sun. The camera looks straight down from above."
      style={{ width: '100%', maxWidth: '460px', display: 'block' }}
    >
      <rect width="400" height="236" fill="var(--chakra-colors-line)" />
      <path d="M0 0 H46 L86 236 H0 Z" fill="#fff" opacity="0.4" />
      <text x="10" y="120" fontSize="13" fill="currentColor" transform="rotate(-90 16 120)" textAnchor="middle">
        daylight, no sun
      </text>
      <rect x="96" y="22" width="250" height="104" rx="9" fill="#d8c39a" stroke="#22282b" />
      <rect x="268" y="36" width="62" height="34" fill="#e6e0d2" stroke="#22282b" strokeDasharray="4 4" />
      <text x="299" y="57" fontSize="12" textAnchor="middle" fill="#22282b">
        hidden
      </text>
      <text x="170" y="80" fontSize="14" textAnchor="middle" fill="#22282b">
        the piece
      </text>
      <g transform={`translate(166 142) scale(${scale})`}>
        <rect x="-6" y="-6" width={GREY_SHEET.widthMm + 12} height={GREY_SHEET.heightMm + 12} fill="#fff" />
        <rect
          x="3"
          y="3"
          width={GREY_SHEET.widthMm - 6}
          height={GREY_SHEET.heightMm - 6}
          fill="#fff"
          stroke="#111"
          strokeWidth="6"
        />
        {greyBoxes.map(([x, y, w, h], i) => (
          <rect key={x} x={x} y={y} width={w} height={h} fill={grey(GREY_SHEET.greys[i]!)} />
        ))}
      </g>
      <text x="222" y="202" fontSize="13" textAnchor="middle" fill="currentColor">
        greys: flat, close, whole
      </text>
      <text x="222" y="224" fontSize="13" textAnchor="middle" fill="currentColor">
        camera straight above, bench all round
      </text>
    </svg>
  );
}
