/** Random numbers below a most, and the same again for the same seed: xorshift32 (Marsaglia 2003). */
export const dice = seed => {
    let x = (seed * 2654435761) >>> 0 || 1
    return most => {
        x ^= x << 13
        x >>>= 0
        x ^= x >>> 17
        x ^= x << 5
        x >>>= 0
        return x % most
    }
}
