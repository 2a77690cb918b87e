#include "desktop/benches.h"

#include "desktop/deliver/deliver_bench.h"
#include "desktop/findings/findings_bench.h"
#include "desktop/flow/flow_bench.h"
#include "desktop/motion/motion_bench.h"
#include "desktop/place/place_bench.h"
#include "desktop/rehearse/rehearse_bench.h"
#include "desktop/route/route_bench.h"
#include "desktop/shape/shape_bench.h"
#include "desktop/work/work.h"

namespace bristle {
namespace {

template <class T>
Bench* make(Work& work, QWidget* parent) {
  return new T(work, parent);
}

}  // namespace

const std::vector<BenchInfo>& benches() {
  static const std::vector<BenchInfo> all{
      {"shape", QObject::tr("Shape"), 1, make<ShapeBench>},
      {"motion", QObject::tr("Motion"), 2, make<MotionBench>},
      {"place", QObject::tr("Place"), 3, make<PlaceBench>},
      {"route", QObject::tr("Route"), 4, make<RouteBench>},
      {"flow", QObject::tr("Flow"), 5, make<FlowBench>},
      {"rehearse", QObject::tr("Rehearse"), 6, make<RehearseBench>},
      {"findings", QObject::tr("Findings"), 7, make<FindingsBench>},
      {"deliver", QObject::tr("Deliver"), 8, make<DeliverBench>},
  };
  return all;
}

}  // namespace bristle
