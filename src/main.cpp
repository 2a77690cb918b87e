#include <iostream>

#include "command/command.h"
#include "desktop/start.h"

int main(int argc, char** argv) {
  bristle::WindowWish wish;
  const int code = bristle::runCommand(argc, argv, {std::cout, std::cerr}, wish);
  if (!wish.wanted) return code;
  return bristle::startDesktop(argc, argv,
                               {wish.file, wish.play, wish.picture, wish.trace, wish.shots});
}
