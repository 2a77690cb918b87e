#include "core/rehearse/reel.h"

#include <algorithm>
#include <utility>

#include "core/rehearse/held.h"

namespace bristle {
namespace {

constexpr size_t kMostBetween = 100;  // events between two copies

}  // namespace

Reel::Reel(Session begun) : session_(std::move(begun)) {
  listen(-1);
  line_.end = now();
  keepCopy();
}

void Reel::keepCopy() {
  line_.copies.push_back(std::make_shared<const Copy>(Copy{session_, next_, happened_}));
  if (line_.copies.size() <= kMostCopies) return;
  auto& all = line_.copies;
  for (size_t i = 1; 2 * i < all.size(); ++i) all[i] = all[2 * i];
  all.resize((all.size() + 1) / 2);
  apart_ *= 2;
}

// What has happened goes into the trace, unless it has been there before.
void Reel::listen(int event) {
  const auto heard = session_.drainTrace();
  const size_t from = happened_;
  happened_ += heard.size();
  if (happened_ <= line_.trace.size()) return;
  if (event >= 0) {
    if (!heard.empty() || goesDown(line_.fed[size_t(event)]))
      line_.causes.push_back({now(), event, from});
  } else {
    for (size_t i = 0; i < heard.size(); ++i)
      if (i == 0 || heard[i].at != heard[i - 1].at)
        line_.causes.push_back({heard[i].at, -1, from + i});
  }
  line_.trace.insert(line_.trace.end(), heard.begin(), heard.end());
}

// Time first, then the event, so that each is told of what came of it.
void Reel::work(const InputEvent& event, int index) {
  session_.feed({.at = event.at});
  listen(-1);
  session_.feed(event);
  listen(index);
  next_ = size_t(index) + 1;
}

void Reel::doAgain(Ms until) {
  while (next_ < line_.fed.size() && line_.fed[next_].at <= until)
    work(line_.fed[next_], static_cast<int>(next_));
  if (until <= now()) return;
  session_.feed({.at = until});
  listen(-1);
}

void Reel::runTo(Ms at) {
  doAgain(at);
  line_.end = std::max(line_.end, now());
  if (!atEnd()) return;
  const Copy& last = *line_.copies.back();
  if (now() - last.session.now() >= apart_ || next_ - last.next >= kMostBetween) keepCopy();
}

std::vector<InputEvent> Reel::heldNow() const {
  std::vector<InputEvent> down;
  for (size_t i = 0; i < next_; ++i) noteHeld(down, line_.fed[i]);
  return down;
}

void Reel::branch(Ms at) {
  const auto held = heldNow();
  other_ = line_;
  ++edition_;
  line_.fed.resize(next_);
  line_.trace.resize(happened_);
  std::erase_if(line_.causes, [&](const Cause& c) {
    return c.trace >= happened_ && (c.event < 0 || size_t(c.event) >= next_);
  });
  std::erase_if(line_.copies, [&](const auto& c) {
    return c != line_.copies.front() && c->session.now() > now();
  });
  line_.end = now();
  for (const InputEvent& down : held) {
    InputEvent gone;
    gone.at = at;
    gone.type = InputType::Gone;
    gone.device = down.device;
    gone.unit = down.unit;
    feed(gone);
  }
}

void Reel::feed(const InputEvent& event) {
  InputEvent stamped = event;
  stamped.at = std::max(stamped.at, now());
  if (!atEnd()) branch(stamped.at);
  line_.fed.push_back(stamped);
  work(stamped, static_cast<int>(next_));
  runTo(now());
}

void Reel::goTo(const Copy& copy) {
  session_ = copy.session;
  next_ = copy.next;
  happened_ = copy.happened;
}

void Reel::seek(Ms at) {
  at = std::clamp<Ms>(at, 0, line_.end);
  const auto later =
      std::upper_bound(line_.copies.begin(), line_.copies.end(), at,
                       [](Ms t, const auto& copy) { return t < copy->session.now(); });
  goTo(**(later == line_.copies.begin() ? later : later - 1));
  doAgain(at);
}

std::optional<Ms> Reel::happeningAfter() const {
  for (const Cause& c : line_.causes)
    if (c.at > now()) return c.at;
  return {};
}

std::optional<Ms> Reel::happeningBefore() const {
  std::optional<Ms> out;
  for (const Cause& c : line_.causes)
    if (c.at < now()) out = c.at;
  return out;
}

void Reel::changeToOther() {
  if (!other_) return;
  ++edition_;
  std::swap(line_, *other_);
  seek(line_.end);
}

void Reel::setReducedMotion(bool on) {
  const Ms at = now();
  ++edition_;
  const auto begin = line_.copies.front();
  const auto fed = std::exchange(line_.fed, {});
  const Ms end = line_.end;
  line_.trace.resize(begin->happened);
  std::erase_if(line_.causes, [&](const Cause& c) { return c.trace >= begin->happened; });
  line_.copies.clear();
  other_.reset();
  goTo(*begin);
  session_.setReducedMotion(on);
  listen(-1);
  line_.end = now();
  keepCopy();
  for (const InputEvent& event : fed) feed(event);
  runTo(end);
  seek(at);
}

}  // namespace bristle
