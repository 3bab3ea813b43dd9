package org.evensheen.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

class SimulatedCameraTest {

    private static BufferedImage photo(double angle, long seed) throws Exception {
        return ImageIO.read(new ByteArrayInputStream(SimulatedCamera.jpeg(angle, 0x3f5f57, seed)));
    }

    /** How much neighbouring pixels differ: many tight beads have many edges. */
    private static double edges(BufferedImage image) {
        double sum = 0;
        for (int y = 0; y < image.getHeight(); y += 2) {
            for (int x = 1; x < image.getWidth(); x++) {
                sum += Math.abs((image.getRGB(x, y) & 0xff) - (image.getRGB(x - 1, y) & 0xff));
            }
        }
        return sum;
    }

    @Test
    void seesMoreAndTighterBeadsTheMoreASectionRepels() throws Exception {
        for (long seed = 1; seed <= 4; seed++) {
            double bare = edges(photo(25, seed));
            double worn = edges(photo(60, seed));
            double fresh = edges(photo(106, seed));
            assertThat(worn).isGreaterThan(1.5 * bare);
            assertThat(fresh).isGreaterThan(1.2 * worn);
        }
    }

    @Test
    void takesTheSamePhotoFromTheSameSeed() {
        assertThat(SimulatedCamera.jpeg(90, 0x223344, 7)).isEqualTo(SimulatedCamera.jpeg(90, 0x223344, 7));
        assertThat(SimulatedCamera.jpeg(90, 0x223344, 7)).isNotEqualTo(SimulatedCamera.jpeg(90, 0x223344, 8));
    }
}
