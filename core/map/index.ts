export { cardSize, facingSides, type MapCard, mapDrawing, type MapLine, type Side } from './drawing'
