#include "paint/flash_reader.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <set>
#include <utility>

#include "core/derive/ground.h"
#include "paint/convert.h"
#include "runtime/machine/condition.h"
#include "runtime/machine/program.h"

namespace bristle {
namespace {

constexpr double kMostReach = 64;   // px around the button that are looked at
constexpr int kLooks = 4;           // at each state on a way round
constexpr size_t kMostLooks = 400;  // of a round: what comes after that is not looked at
constexpr double kMostPx = 4e6;     // of all pictures of a round; larger ones are made smaller

// A state on a way round by timers, and how the next one is come to.
struct Stay {
  StateIndex state = 0;
  Ms lasts = 0;
  size_t transition = 0;  // its place in the machine
  Pace pace = {};
};

class Watcher {
 public:
  Watcher(LookPainter& looks, std::shared_ptr<const LookTable> table, const Project& project,
          const Kind& kind, double area, const std::atomic<bool>* stop)
      : looks_(looks),
        table_(std::move(table)),
        project_(project),
        kind_(kind),
        machine_(*find(project, kind.machine)),
        area_(area),
        stop_(stop),
        reach_(std::min(LookPainter::reach(kind, *table_), kMostReach)),
        ground_(toQt(groundOf(project, kind.id))) {}

  std::vector<Eyes::Flashing> all() {
    if (seen().width() * seen().height() < area_) return {};
    for (size_t s = 0; s < machine_.states.size(); ++s) {
      const size_t before = out_.size();
      byKeyFrames(static_cast<StateIndex>(s));
      // What key frames do is seen while pictures go on, too: those are looked at once it is
      // mended.
      if (out_.size() == before) byPictures(static_cast<StateIndex>(s));
    }
    byTimers();
    return std::move(out_);
  }

 private:
  bool stopped() const { return stop_ && stop_->load(); }
  QSizeF seen() const { return {kind_.width + 2 * reach_, kind_.height + 2 * reach_}; }

  // Leaves out the looks that are too many, and sets how large the pictures are.
  void fit(PictureRound& round) {
    if (round.at.size() > kMostLooks) round.at.resize(kMostLooks);
    const double px = seen().width() * seen().height() * double(round.at.size());
    scale_ = std::min(1.0, std::sqrt(kMostPx / std::max(1.0, px)));
  }

  QImage picture(StateIndex state, const Look& look, Ms since) {
    QImage out((seen() * scale_).toSize().expandedTo({1, 1}), QImage::Format_RGB32);
    out.fill(ground_);
    QPainter painter(&out);
    painter.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
    painter.scale(scale_, scale_);
    painter.translate(reach_, reach_);
    looks_.paintState(painter, kind_, *table_, state, look, QRectF(0, 0, kind_.width, kind_.height),
                      kind_.sampleCaption, since);
    return out;
  }

  // With so few looks at it three flashes cannot be seen in a second.
  static bool isSlow(size_t looks, double length) { return double(looks) * 1000 < 6 * length; }

  void tell(const PictureRound& round, Eyes::Flashing flashing) {
    if (stopped()) return;
    flashing.three = threeFlashes(round, area_ * scale_ * scale_);
    if (flashing.three < std::numeric_limits<double>::infinity())
      out_.push_back(std::move(flashing));
  }

  // While one state lasts.
  void watch(StateIndex state, Ms begin, PictureRound round, const PartId& part) {
    if (isSlow(round.at.size(), round.length)) return;
    fit(round);
    LookPlayer player(table_, state);
    player.begin(state, 0);
    for (const double at : round.at) {
      if (stopped()) return;
      // The end of a round is the begin of the next.
      const Ms now = begin + std::min(Ms(std::lround(at)), Ms(std::ceil(round.length)) - 1);
      round.pictures.push_back(picture(state, player.at(now), player.since(now)));
    }
    tell(round, {.state = machine_.states[state].id, .part = part});
  }

  // At each key frame, and half-way between, where an easing may swing.
  void byKeyFrames(StateIndex state) {
    const auto motion = kind_.motions.find(machine_.states[state].id);
    if (motion == kind_.motions.end() || motion->second.period <= 0) return;
    const auto period = double(motion->second.period);
    std::set<double> keys{0, period};
    for (const MotionTrack& track : motion->second.tracks)
      for (const KeyFrame& frame : track.frames) keys.insert(frame.at * period);
    PictureRound round{.length = period, .count = motion->second.count};
    for (const double key : keys) {
      if (!round.at.empty()) round.at.push_back((round.at.back() + key) / 2);
      round.at.push_back(key);
    }
    watch(state, motion->second.delay, std::move(round), {});
  }

  // In the middle of each frame.
  void byPictures(StateIndex state) {
    for (const Part& part : kind_.parts) {
      if (part.type != PartType::Picture) continue;
      const auto number = [&](Prop prop) {
        return std::get<double>(table_->state(state)[size_t(table_->channel({part.id, prop}))]);
      };
      const auto& how = std::get<std::string>(
          table_->state(state)[size_t(table_->channel({part.id, Prop::Playing}))]);
      const double frames =
          std::floor(number(Prop::FramesAcross)) * std::floor(number(Prop::FramesDown));
      if (frames <= 1 || how == "stand" || number(Prop::Shown) <= 0) continue;
      const double each = 1000 / number(Prop::FrameRate);
      PictureRound round{.length = frames * each, .count = how == "loop" ? 0 : 1};
      for (int i = 0; i < frames; ++i) round.at.push_back((i + 0.5) * each);
      watch(state, 0, std::move(round), part.id);
    }
  }

  // What a state goes on to by itself, whatever the conditions are.
  static std::optional<Stay> stayIn(const Program& program, StateIndex state, StateIndex& next) {
    const ProgramTransition* first = nullptr;
    for (const std::uint16_t i : program.candidates(state, Event::After)) {
      const ProgramTransition& t = program.transition(i);
      if (t.guard.always() && (!first || t.after < first->after)) first = &t;
    }
    if (!first) return {};
    next = first->to;
    return Stay{state, first->after, first->source, first->pace};
  }

  void byTimers() {
    Symbols symbols = conditionSymbols(project_);
    const auto program = Program::compile(machine_, symbols, naming(project_));
    if (!program) return;
    std::vector<int> walk(machine_.states.size());  // which walk came there
    for (size_t s = 0; s < walk.size(); ++s) {
      std::vector<Stay> way;
      auto at = static_cast<StateIndex>(s);
      while (!walk[at]) {
        walk[at] = int(s) + 1;
        StateIndex next = 0;
        const auto stay = stayIn(*program, at, next);
        if (!stay) break;
        way.push_back(*stay);
        at = next;
      }
      const auto begin =
          std::find_if(way.begin(), way.end(), [at](const Stay& stay) { return stay.state == at; });
      way.erase(way.begin(), begin);
      if (way.size() > 1) watchRound(way);
    }
  }

  // The second time round: what comes before it is not a part of it.
  void watchRound(const std::vector<Stay>& way) {
    PictureRound round;
    Eyes::Flashing flashing{.state = machine_.states[way.front().state].id};
    for (const Stay& stay : way) {
      // What lasts no time is not seen.
      for (int i = 1; stay.lasts > 0 && i <= kLooks; ++i)
        round.at.push_back(round.length + double(stay.lasts) * i / kLooks);
      round.length += double(stay.lasts);
      flashing.transitions.push_back(stay.transition);
    }
    if (round.length <= 0 || isSlow(round.at.size(), round.length)) return;
    fit(round);
    LookPlayer player(table_, way.front().state);
    player.begin(way.front().state, 0);
    Ms now = 0;
    for (int turn = 0; turn < 2; ++turn)
      for (size_t i = 0; i < way.size(); ++i) {
        const bool seen = turn == 1 && way[i].lasts > 0;
        for (int look = 1; seen && look <= kLooks && !stopped(); ++look) {
          if (round.pictures.size() == round.at.size()) break;
          const Ms then = now + way[i].lasts * look / kLooks;
          round.pictures.push_back(picture(way[i].state, player.at(then), player.since(then)));
        }
        now += way[i].lasts;
        player.go(way[(i + 1) % way.size()].state, way[i].pace, now);
      }
    tell(round, std::move(flashing));
  }

  LookPainter& looks_;
  std::shared_ptr<const LookTable> table_;
  const Project& project_;
  const Kind& kind_;
  const Machine& machine_;
  double area_;
  const std::atomic<bool>* stop_;
  double reach_;
  double scale_ = 1;  // px of the pictures to one of the kind
  QColor ground_;
  std::vector<Eyes::Flashing> out_;
};

}  // namespace

std::vector<Eyes::Flashing> readFlashings(LookPainter& looks,
                                          std::shared_ptr<const LookTable> table,
                                          const Project& project, const Kind& kind, double area,
                                          const std::atomic<bool>* stop) {
  if (!find(project, kind.machine) || kind.width < 1 || kind.height < 1) return {};
  return Watcher(looks, std::move(table), project, kind, area, stop).all();
}

}  // namespace bristle
