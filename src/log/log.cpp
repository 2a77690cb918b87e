#include "log/log.h"

#include <spdlog/sinks/rotating_file_sink.h>
#include <spdlog/sinks/stdout_sinks.h>
#include <spdlog/spdlog.h>

#include <cstdlib>
#include <vector>

namespace bristle {
namespace {
constexpr size_t kLargest = 1 << 20;  // bytes
constexpr size_t kKept = 3;
}  // namespace

std::string stateFolder() {
  const char* state = std::getenv("XDG_STATE_HOME");
  if (state && *state) return std::string(state) + "/bristle";
  const char* home = std::getenv("HOME");
  return std::string(home ? home : "") + "/.local/state/bristle";
}

void startLog(bool verbose) {
  std::vector<spdlog::sink_ptr> sinks;
  try {
    sinks.push_back(std::make_shared<spdlog::sinks::rotating_file_sink_mt>(
        stateFolder() + "/log/bristle.log", kLargest, kKept));
  } catch (const spdlog::spdlog_ex&) {
    // No such place, a full disk: without a log then.
  }
  if (verbose) sinks.push_back(std::make_shared<spdlog::sinks::stderr_sink_mt>());
  auto logger = std::make_shared<spdlog::logger>("bristle", sinks.begin(), sinks.end());
  logger->set_level(verbose ? spdlog::level::debug : spdlog::level::info);
  logger->set_pattern("%Y-%m-%dT%H:%M:%S.%e %P %l %v");
  logger->flush_on(spdlog::level::info);
  spdlog::set_default_logger(std::move(logger));
}

}  // namespace bristle
