package markturn.bench;

import java.util.Arrays;
import java.util.Random;

/** What the machine can do in one thread: the product of two dense matrices, packed into tiles of four by four, by fused multiplications. */
final class PackedProduct {
    private static final int SIDE = 400;
    private static final int TILE = 4;
    private static final int ROUNDS = 40;

    private PackedProduct() {}

    /** Multiplications and additions in a second, median of several rounds after some to warm up. */
    static double rate() {
        double[] left = new double[SIDE * SIDE];
        double[] right = new double[SIDE * SIDE];
        Random random = new Random(1);
        for (int i = 0; i < left.length; i++) {
            left[i] = random.nextDouble();
            right[i] = random.nextDouble();
        }
        double[] rates = new double[ROUNDS];
        for (int round = -ROUNDS; round < ROUNDS; round++) {
            double[] product = new double[SIDE * SIDE];
            long began = System.nanoTime();
            for (int row = 0; row < SIDE; row += TILE) {
                for (int column = 0; column < SIDE; column += TILE) {
                    tile(left, row * SIDE, right, column * SIDE, product, row * SIDE + column);
                }
            }
            double seconds = (System.nanoTime() - began) / 1e9;
            if (!(product[round + ROUNDS] > 0)) {
                throw new IllegalStateException("the product is wrong");
            }
            if (round >= 0) {
                rates[round] = 2.0 * SIDE * SIDE * SIDE / seconds;
            }
        }
        Arrays.sort(rates);
        return rates[ROUNDS / 2];
    }

    /** Packed: for each of the inner elements the four of the tile lie side by side. */
    private static void tile(double[] left, int leftFirst, double[] right, int rightFirst, double[] to, int first) {
        double a00 = 0, a01 = 0, a02 = 0, a03 = 0, a10 = 0, a11 = 0, a12 = 0, a13 = 0;
        double a20 = 0, a21 = 0, a22 = 0, a23 = 0, a30 = 0, a31 = 0, a32 = 0, a33 = 0;
        for (int i = 0; i < SIDE * TILE; i += TILE) {
            double l0 = left[leftFirst + i];
            double l1 = left[leftFirst + i + 1];
            double l2 = left[leftFirst + i + 2];
            double l3 = left[leftFirst + i + 3];
            double r0 = right[rightFirst + i];
            double r1 = right[rightFirst + i + 1];
            double r2 = right[rightFirst + i + 2];
            double r3 = right[rightFirst + i + 3];
            a00 = Math.fma(l0, r0, a00);
            a01 = Math.fma(l0, r1, a01);
            a02 = Math.fma(l0, r2, a02);
            a03 = Math.fma(l0, r3, a03);
            a10 = Math.fma(l1, r0, a10);
            a11 = Math.fma(l1, r1, a11);
            a12 = Math.fma(l1, r2, a12);
            a13 = Math.fma(l1, r3, a13);
            a20 = Math.fma(l2, r0, a20);
            a21 = Math.fma(l2, r1, a21);
            a22 = Math.fma(l2, r2, a22);
            a23 = Math.fma(l2, r3, a23);
            a30 = Math.fma(l3, r0, a30);
            a31 = Math.fma(l3, r1, a31);
            a32 = Math.fma(l3, r2, a32);
            a33 = Math.fma(l3, r3, a33);
        }
        double[] tile = {a00, a01, a02, a03, a10, a11, a12, a13, a20, a21, a22, a23, a30, a31, a32, a33};
        for (int row = 0; row < TILE; row++) {
            System.arraycopy(tile, row * TILE, to, first + row * SIDE, TILE);
        }
    }
}
