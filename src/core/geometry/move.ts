/** A piece moved on its drawing: where a point comes to lie, by how much everything turns, and whether left becomes right. */
export type Move = { to: (x: number, y: number) => [number, number]; turnDeg?: number; mirrors?: boolean };
