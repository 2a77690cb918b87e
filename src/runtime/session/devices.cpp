#include "runtime/session/devices.h"

#include <algorithm>

namespace bristle {

bool DownKeys::has(InputType type, const InputEvent& event) const {
  return std::any_of(down_.begin(), down_.end(),
                     [&](const DownKey& key) { return key.is(type, event); });
}

DownKey* DownKeys::press(InputType type, const InputEvent& event) {
  if (has(type, event)) return nullptr;
  down_.push_back({type, event.source(), event.dir, event.name});
  return &down_.back();
}

std::optional<DownKey> DownKeys::release(InputType type, const InputEvent& event) {
  const auto at = std::find_if(down_.begin(), down_.end(),
                               [&](const DownKey& key) { return key.is(type, event); });
  if (at == down_.end()) return {};
  DownKey out = std::move(*at);
  down_.erase(at);
  return out;
}

std::vector<DownKey> DownKeys::takeAway(Device device, int unit) {
  std::vector<DownKey> out;
  for (const DownKey& key : down_)
    if (key.source.device == device && key.source.unit == unit) out.push_back(key);
  std::erase_if(down_, [&](const DownKey& key) {
    return key.source.device == device && key.source.unit == unit;
  });
  return out;
}

const DownKey* DownKeys::newestMove() const {
  const auto at = std::find_if(down_.rbegin(), down_.rend(),
                               [](const DownKey& key) { return key.type == InputType::Move; });
  return at == down_.rend() ? nullptr : &*at;
}

}  // namespace bristle
