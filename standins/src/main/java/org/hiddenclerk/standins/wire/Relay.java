package org.hiddenclerk.standins.wire;

import io.netty.bootstrap.Bootstrap;
import io.netty.bootstrap.ServerBootstrap;
import io.netty.buffer.ByteBuf;
import io.netty.channel.Channel;
import io.netty.channel.ChannelFuture;
import io.netty.channel.ChannelFutureListener;
import io.netty.channel.ChannelHandlerContext;
import io.netty.channel.ChannelInboundHandlerAdapter;
import io.netty.channel.ChannelInitializer;
import io.netty.channel.ChannelOption;
import io.netty.channel.EventLoopGroup;
import io.netty.channel.MultiThreadIoEventLoopGroup;
import io.netty.channel.nio.NioIoHandler;
import io.netty.channel.socket.SocketChannel;
import io.netty.channel.socket.nio.NioServerSocketChannel;
import io.netty.channel.socket.nio.NioSocketChannel;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;

/**
 * The cable or the air between a client and a broker: bytes go through it, until it is cut. Then connections die without a word,
 * and new ones die at once.
 */
final class Relay implements AutoCloseable {
    private static final EventLoopGroup LOOPS = new MultiThreadIoEventLoopGroup(
            1,
            work -> {
                Thread thread = new Thread(work, "stand-in cables");
                thread.setDaemon(true);
                return thread;
            },
            NioIoHandler.newFactory());

    private final InetSocketAddress target;
    private final Channel door;
    private final Set<Channel> open = ConcurrentHashMap.newKeySet();
    private volatile boolean cut;
    private volatile long delayMs;

    Relay(String brokerUrl) {
        URI at = URI.create(brokerUrl);
        target = new InetSocketAddress(at.getHost(), at.getPort());
        door = new ServerBootstrap()
                .group(LOOPS)
                .channel(NioServerSocketChannel.class)
                .childOption(ChannelOption.TCP_NODELAY, true)
                .childOption(ChannelOption.AUTO_READ, false)
                .childHandler(new ChannelInitializer<SocketChannel>() {
                    @Override
                    protected void initChannel(SocketChannel near) {
                        join(near);
                    }
                })
                .bind(InetAddress.getLoopbackAddress(), 0)
                .syncUninterruptibly()
                .channel();
    }

    String url() {
        return "tcp://127.0.0.1:" + ((InetSocketAddress) door.localAddress()).getPort();
    }

    private void join(Channel near) {
        if (cut) {
            near.close();
            return;
        }
        ChannelFuture far = new Bootstrap()
                .group(LOOPS)
                .channel(NioSocketChannel.class)
                .option(ChannelOption.TCP_NODELAY, true)
                .option(ChannelOption.AUTO_READ, false)
                .handler(new Pass(near))
                .connect(target);
        near.pipeline().addLast(new Pass(far.channel()));
        open.add(near);
        open.add(far.channel());
        near.closeFuture().addListener(done -> forget(near, far.channel()));
        far.channel().closeFuture().addListener(done -> forget(far.channel(), near));
        far.addListener((ChannelFutureListener) done -> {
            if (done.isSuccess()) {
                near.config().setAutoRead(true);
                done.channel().config().setAutoRead(true);
            } else {
                near.close();
            }
        });
    }

    private void forget(Channel gone, Channel other) {
        open.remove(gone);
        other.close();
    }

    /** Cuts it, or mends it. */
    void cut(boolean isCut) {
        cut = isCut;
        if (isCut) {
            open.forEach(Channel::close);
        }
    }

    /** Lets everything take so much longer, each way. */
    void slow(long ms) {
        delayMs = ms;
    }

    @Override
    public void close() {
        cut(true);
        door.close();
    }

    private final class Pass extends ChannelInboundHandlerAdapter {
        private final Channel to;
        private long lastDueNanos;

        Pass(Channel to) {
            this.to = to;
        }

        @Override
        public void channelRead(ChannelHandlerContext context, Object message) {
            ByteBuf bytes = (ByteBuf) message;
            // Bytes keep their order when the delay gets shorter.
            long due = Math.max(System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(delayMs), lastDueNanos);
            lastDueNanos = due;
            long wait = due - System.nanoTime();
            if (wait <= 0) {
                to.write(bytes);
            } else {
                context.executor().schedule(() -> to.writeAndFlush(bytes), wait, TimeUnit.NANOSECONDS);
            }
        }

        @Override
        public void channelReadComplete(ChannelHandlerContext context) {
            to.flush();
        }

        @Override
        public void channelWritabilityChanged(ChannelHandlerContext context) {
            to.config().setAutoRead(context.channel().isWritable());
        }

        @Override
        public void exceptionCaught(ChannelHandlerContext context, Throwable cause) {
            context.close();
        }
    }
}
