#include "desktop/derive/workers.h"

#include <sys/resource.h>
#include <unistd.h>

namespace bristle {
namespace {
constexpr int kNice = 10;  // about a tenth of what an ordinary thread gets beside it
}

QThreadPool& workers() {
  static QThreadPool pool;
  return pool;
}

void stepBack() {
  // Linux keeps the nice value by thread, which Qt's priorities do not reach (setpriority(2)).
  thread_local const bool done = setpriority(PRIO_PROCESS, static_cast<id_t>(gettid()), kNice) == 0;
  (void)done;
}

}  // namespace bristle
