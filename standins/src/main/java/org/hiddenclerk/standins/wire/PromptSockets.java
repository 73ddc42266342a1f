package org.hiddenclerk.standins.wire;

import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import javax.net.SocketFactory;

/** Sockets that send at once. Small messages there and back would wait some 40 ms for each other otherwise. */
final class PromptSockets extends SocketFactory {
    @Override
    public Socket createSocket() throws IOException {
        Socket socket = new Socket();
        socket.setTcpNoDelay(true);
        return socket;
    }

    private static Socket prompt(Socket socket) throws IOException {
        socket.setTcpNoDelay(true);
        return socket;
    }

    @Override
    public Socket createSocket(String host, int port) throws IOException {
        return prompt(new Socket(host, port));
    }

    @Override
    public Socket createSocket(String host, int port, InetAddress local, int localPort) throws IOException {
        return prompt(new Socket(host, port, local, localPort));
    }

    @Override
    public Socket createSocket(InetAddress host, int port) throws IOException {
        return prompt(new Socket(host, port));
    }

    @Override
    public Socket createSocket(InetAddress host, int port, InetAddress local, int localPort) throws IOException {
        return prompt(new Socket(host, port, local, localPort));
    }
}
