package lochan.web;

final class Server {
    static void main(String[] arguments) {
    }
}
