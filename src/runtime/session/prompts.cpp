#include "runtime/session/prompts.h"

namespace bristle {

std::optional<Sign> promptSign(const Project& project, const Screen* screen, const Prompt& prompt,
                               Device device) {
  if (device == Device::Touch) return {};
  const Sign::Of of = device == Device::Controller ? Sign::Of::Button : Sign::Of::Key;
  const auto signs = signsFor(project, screen, of, prompt.does, prompt.shortcut);
  return signs.empty() ? std::nullopt : std::optional(signs.front());
}

}  // namespace bristle
