package lochan.mapfiles;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import lochan.core.Bounds;

/**
 * How large the first image of a TIFF is and in what parts it is packed, read before anything of it is decoded (TIFF 6.0, 1992; BigTIFF).
 *
 * @param chunkRows of a strip or a tile
 */
record TiffHeader(long columns, long rows, long chunkRows) {

    private static final int BIG = 43;
    private static final int MOST_TAGS = 500;
    private static final int MOST_IMAGES = 64;
    /** Along a side. */
    private static final int MOST_CELLS_PER_SIDE = 40_000;

    private static final long MOST_CELLS = 200_000_000;
    private static final int UNPACKED = 1;

    private static final int WIDTH = 256;
    private static final int LENGTH = 257;
    private static final int BITS = 258;
    private static final int COMPRESSION = 259;
    private static final int SAMPLES = 277;
    private static final int ROWS_PER_STRIP = 278;
    private static final int TILE_WIDTH = 322;
    private static final int TILE_LENGTH = 323;

    /** @throws MapFileException when it is cut off, or what is decoded at once does not fit into memory */
    static TiffHeader read(Path file) throws MapFileException, IOException {
        try (FileChannel channel = FileChannel.open(file)) {
            return new Reading(channel).first();
        } catch (IndexOutOfBoundsException e) {
            throw cutOff();
        }
    }

    private static MapFileException cutOff() {
        return new MapFileException("the GeoTIFF was cut off: save it again");
    }

    /** A file whose directories are walked. */
    private static final class Reading {

        private final FileChannel channel;
        private final ByteOrder order;
        private final boolean big;

        Reading(FileChannel channel) throws IOException {
            this.channel = channel;
            ByteBuffer start = ByteBuffer.allocate(4);
            channel.read(start, 0);
            this.order = start.get(0) == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN;
            this.big = start.order(order).getShort(2) == BIG;
        }

        TiffHeader first() throws IOException, MapFileException {
            long at = big ? at(8, 8).getLong(0) : Integer.toUnsignedLong(at(4, 4).getInt(0));
            TiffHeader first = null;
            for (int images = 0; at != 0; images++) {
                if (images == MOST_IMAGES) {
                    throw new MapFileException(
                            "the GeoTIFF has more than " + MOST_IMAGES + " images: save the depths alone");
                }
                long count = big
                        ? at(at, 8).getLong(0)
                        : Short.toUnsignedLong(at(at, 2).getShort(0));
                if (count < 0 || count > MOST_TAGS) {
                    throw cutOff();
                }
                long tags = at + (big ? 8 : 2);
                TiffHeader header = header(tags, (int) count);
                first = first == null ? header : first;
                long next = tags + count * (big ? 20 : 12);
                at = big
                        ? at(next, 8).getLong(0)
                        : Integer.toUnsignedLong(at(next, 4).getInt(0));
            }
            if (first == null) {
                throw new MapFileException("the GeoTIFF has no image: save it again");
            }
            return first;
        }

        private TiffHeader header(long tags, int count) throws IOException, MapFileException {
            long width = 0;
            long length = 0;
            long bits = 8;
            long samples = 1;
            long compression = UNPACKED;
            long rowsPerStrip = Long.MAX_VALUE;
            long tileWidth = 0;
            long tileLength = 0;
            for (int i = 0; i < count; i++) {
                ByteBuffer tag = at(tags + (long) i * (big ? 20 : 12), big ? 20 : 12);
                switch (Short.toUnsignedInt(tag.getShort(0))) {
                    case WIDTH -> width = value(tag);
                    case LENGTH -> length = value(tag);
                    // Of several samples the values stand elsewhere; none has more than 64 bits.
                    case BITS -> bits = number(tag) > 1 ? Long.SIZE : value(tag);
                    case COMPRESSION -> compression = value(tag);
                    case SAMPLES -> samples = value(tag);
                    case ROWS_PER_STRIP -> rowsPerStrip = value(tag);
                    case TILE_WIDTH -> tileWidth = value(tag);
                    case TILE_LENGTH -> tileLength = value(tag);
                    default -> {}
                }
            }
            boolean sized = width > 0 && length > 0 && width <= MOST_CELLS_PER_SIDE && length <= MOST_CELLS_PER_SIDE;
            if (!sized || width * length > MOST_CELLS) {
                throw new MapFileException("the GeoTIFF has " + width + " × " + length + " cells: at most "
                        + MOST_CELLS / 1_000_000 + " million are read, " + MOST_CELLS_PER_SIDE
                        + " along a side; cut out this lake, or make its cells larger");
            }
            long chunkWidth = tileWidth > 0 ? tileWidth : width;
            long chunkRows = tileLength > 0 ? tileLength : Math.min(rowsPerStrip, length);
            boolean fits = chunkRows > 0
                    && chunkWidth <= 2L * MOST_CELLS_PER_SIDE
                    && chunkRows <= 2L * MOST_CELLS_PER_SIDE
                    && bits > 0
                    && bits <= Long.SIZE
                    && samples > 0
                    && samples <= MOST_TAGS;
            boolean isSmall = fits && chunkWidth * chunkRows * samples * bits / Byte.SIZE <= Bounds.workBytes();
            if (!fits || (compression != UNPACKED && !isSmall)) {
                throw new MapFileException("the GeoTIFF is packed in parts of " + chunkWidth + " × " + chunkRows
                        + " cells, more than fit into memory: save it in tiles of 256 × 256 cells");
            }
            return new TiffHeader(width, length, compression == UNPACKED ? 1 : chunkRows);
        }

        private long number(ByteBuffer tag) {
            return big ? tag.getLong(4) : Integer.toUnsignedLong(tag.getInt(4));
        }

        private long value(ByteBuffer tag) {
            int at = big ? 12 : 8;
            return switch (tag.getShort(2)) {
                case 1 -> Byte.toUnsignedLong(tag.get(at));
                case 3 -> Short.toUnsignedLong(tag.getShort(at));
                case 4 -> Integer.toUnsignedLong(tag.getInt(at));
                default -> big ? tag.getLong(at) : 0;
            };
        }

        private ByteBuffer at(long at, int length) throws IOException, MapFileException {
            if (at < 0) {
                throw cutOff();
            }
            ByteBuffer bytes = ByteBuffer.allocate(length).order(order);
            while (bytes.hasRemaining()) {
                if (channel.read(bytes, at + bytes.position()) < 0) {
                    throw cutOff();
                }
            }
            return bytes;
        }
    }
}
