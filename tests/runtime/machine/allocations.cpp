#include "runtime/machine/allocations.h"

#include <cstdlib>
#include <new>

static thread_local long counted = 0;

void* operator new(std::size_t size) {
  ++counted;
  if (void* p = std::malloc(size ? size : 1)) return p;
  throw std::bad_alloc();
}
void* operator new(std::size_t size, const std::nothrow_t&) noexcept {
  ++counted;
  return std::malloc(size ? size : 1);
}
void operator delete(void* p) noexcept {
  std::free(p);
}
void operator delete(void* p, std::size_t) noexcept {
  std::free(p);
}

namespace bristle::test {

long allocations() {
  return counted;
}

}  // namespace bristle::test
