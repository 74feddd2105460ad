package practice

import "slices"

// sides groups blocks: each alone, or what runs at the two baskets side by side.
func sides(blocks []Block) (out [][]Block) {
	for i, b := range blocks {
		if b.Basket > 0 && i > 0 && blocks[i-1].Basket > 0 {
			out[len(out)-1] = append(out[len(out)-1], b)
		} else {
			out = append(out, []Block{b})
		}
	}
	return out
}

// minutesOf is how long a kept block lasts, or what runs at the two baskets.
func minutesOf(side []Block) float64 {
	var minutes [splitBaskets + 1]float64
	for _, b := range side {
		minutes[b.Basket] += b.Minutes
	}
	return slices.Max(minutes[:])
}

// minutesFrom is how long blocks last when what follows one another at the two
// baskets runs side by side.
func minutesFrom(blocks []Block) float64 {
	sum := 0.0
	for _, side := range sides(blocks) {
		sum += minutesOf(side)
	}
	return sum
}

// Starts is when each block begins, in minutes from the beginning; blocks at the two
// baskets run side by side.
func Starts(blocks []Block) []float64 {
	out, at := make([]float64, 0, len(blocks)), 0.0
	for _, side := range sides(blocks) {
		minutes := [splitBaskets + 1]float64{}
		for _, b := range side {
			out = append(out, at+minutes[b.Basket])
			minutes[b.Basket] += b.Minutes
		}
		at += minutesOf(side)
	}
	return out
}
