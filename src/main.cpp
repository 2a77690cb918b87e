#include <fcntl.h>

#include <csignal>
#include <iostream>

#include "command/command.h"
#include "desktop/start.h"

namespace {

// A stream that was closed must not become the next file that is opened: what is printed would go
// in there. Writing to its stand-in fails, and that is told.
void keepStreams() {
  for (const int stream : {0, 1, 2})
    if (::fcntl(stream, F_GETFD) < 0) ::open(stream == 0 ? "/dev/null" : "/dev/full", O_RDWR);
}

}  // namespace

int main(int argc, char** argv) {
  keepStreams();
  std::signal(SIGPIPE,
              SIG_IGN);  // a reader that goes away is told by what is written, not by a kill
  bristle::WindowWish wish;
  const int code = bristle::runCommand(argc, argv, {std::cout, std::cerr}, wish);
  if (!wish.wanted) return code;
  return bristle::startDesktop(argc, argv, wish.file);
}
