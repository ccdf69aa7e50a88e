/** Section hatching by material, written by `lofty publish`. */
import type { Item } from '../api/gen/types.gen';

export interface Hatch {
  fill: string;
  stroke: string;
  lines: number[][][];
  width: number;
  dash: number[];
  dots: [number, number, number][];
}
export const TILE = 9;
export const HATCHES: Record<Item['material'], Hatch> = {
  "hard plastic": {"fill": "#ebe8dd", "stroke": "#b9b7a4", "lines": [[[-1, 10], [10, -1]]], "width": 0.9, "dash": [], "dots": []},
  "soft plastic": {"fill": "#e9ece4", "stroke": "#a3b1a3", "lines": [[[-1, 10], [10, -1]]], "width": 0.9, "dash": [3, 2.2], "dots": []},
  "folder plastic": {"fill": "#dde6e0", "stroke": "#8fa69a", "lines": [[[-1, -1], [10, 10]], [[3.5, -1], [10, 5.5]], [[-1, 3.5], [5.5, 10]]], "width": 0.9, "dash": [], "dots": []},
  "steel": {"fill": "#c9cccd", "stroke": "#6f7678", "lines": [[[-1, 10], [10, -1]], [[-1, 5.5], [5.5, -1]], [[3.5, 10], [10, 3.5]]], "width": 0.9, "dash": [], "dots": []},
  "aluminium": {"fill": "#d9dcdd", "stroke": "#8b9294", "lines": [[[-1, 10], [10, -1]], [[-1, 5.5], [5.5, -1]], [[3.5, 10], [10, 3.5]]], "width": 0.9, "dash": [], "dots": []},
  "copper": {"fill": "#dfc0a8", "stroke": "#8d5a39", "lines": [[[-1, 10], [10, -1]], [[-1, 5.5], [5.5, -1]], [[3.5, 10], [10, 3.5]]], "width": 0.9, "dash": [], "dots": []},
  "rubber": {"fill": "#5c625f", "stroke": "#2f3633", "lines": [[[-1, 10], [10, -1]], [[-1, -1], [10, 10]]], "width": 0.9, "dash": [], "dots": []},
  "silicone": {"fill": "#d9dbe4", "stroke": "#8a90a8", "lines": [[[0, 4.5], [1.1, 3.7], [2.2, 3.4], [3.4, 3.7], [4.5, 4.5], [5.6, 5.3], [6.8, 5.6], [7.9, 5.3], [9, 4.5]]], "width": 0.9, "dash": [], "dots": []},
  "foam": {"fill": "#efe6d3", "stroke": "#b49f75", "lines": [], "width": 0.9, "dash": [], "dots": [[2, 2.5, 0.9], [6.5, 6.8, 0.9]]},
  "paper": {"fill": "#f3eee0", "stroke": "#b9a98a", "lines": [[[0, 4.5], [9, 4.5]]], "width": 0.5, "dash": [], "dots": []},
  "wood": {"fill": "#dccbaa", "stroke": "#94774a", "lines": [[[0, 2], [9, 2]], [[0, 6.5], [9, 6.5]]], "width": 0.9, "dash": [], "dots": []},
  "photopolymer": {"fill": "#ead9c0", "stroke": "#a9813f", "lines": [[[0, 4.5], [9, 4.5]]], "width": 0.5, "dash": [], "dots": []}
};
