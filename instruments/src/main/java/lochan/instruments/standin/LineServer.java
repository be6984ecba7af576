package lochan.instruments.standin;

import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;

/** A device on loopback that sends the same lines to every client over TCP, and fails on command. */
public final class LineServer implements AutoCloseable {

    private final ServerSocket server;
    private final List<Socket> clients = new CopyOnWriteArrayList<>();

    /** @param port 0: any that is free */
    public LineServer(int port) throws IOException {
        server = new ServerSocket(port, 0, InetAddress.getLoopbackAddress());
        Thread.ofVirtual().name("stand-in").start(this::accept);
    }

    private void accept() {
        while (!server.isClosed()) {
            try {
                clients.add(server.accept());
            } catch (IOException e) {
                // Closed, or a client that went away at once.
            }
        }
    }

    public int port() {
        return server.getLocalPort();
    }

    public int clients() {
        return clients.size();
    }

    public void line(String line) {
        raw(line + "\r\n");
    }

    /** Sends what is no whole line, or none at all. */
    public void raw(String text) {
        for (Socket client : clients) {
            try {
                OutputStream out = client.getOutputStream();
                out.write(text.getBytes(StandardCharsets.ISO_8859_1));
                out.flush();
            } catch (IOException e) {
                close(client);
            }
        }
    }

    /** Goes away for good. */
    public void stop() throws IOException {
        close();
    }

    /** Breaks all connections off; clients that come back are served. */
    public void hangUp() {
        clients.forEach(this::close);
    }

    private void close(Socket client) {
        clients.remove(client);
        try {
            client.close();
        } catch (IOException e) {
            // It is closed.
        }
    }

    @Override
    public void close() throws IOException {
        server.close();
        hangUp();
    }
}
