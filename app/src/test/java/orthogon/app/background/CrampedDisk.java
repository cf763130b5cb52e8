package orthogon.app.background;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import org.h2.store.fs.FileBaseDefault;
import org.h2.store.fs.FilePathWrapper;

/** Files of the scheme {@code cramped:}, on a disk that can be full. */
public final class CrampedDisk extends FilePathWrapper {

    static volatile boolean full;

    @Override
    public String getScheme() {
        return "cramped";
    }

    @Override
    public FileChannel open(String mode) throws IOException {
        return new Cramped(super.open(mode));
    }

    private static final class Cramped extends FileBaseDefault {

        private final FileChannel channel;

        Cramped(FileChannel channel) {
            this.channel = channel;
        }

        @Override
        public int write(ByteBuffer from, long position) throws IOException {
            if (full) {
                throw new IOException("No space left on device");
            }
            return channel.write(from, position);
        }

        @Override
        public int read(ByteBuffer to, long position) throws IOException {
            return channel.read(to, position);
        }

        @Override
        public long size() throws IOException {
            return channel.size();
        }

        @Override
        protected void implTruncate(long size) throws IOException {
            channel.truncate(size);
        }

        @Override
        public void force(boolean metadata) throws IOException {
            channel.force(metadata);
        }

        @Override
        public FileLock tryLock(long position, long size, boolean shared) throws IOException {
            return channel.tryLock(position, size, shared);
        }

        @Override
        protected void implCloseChannel() throws IOException {
            channel.close();
        }
    }
}
