#include "runtime/formats/delivery_json.h"

#include "runtime/document/whynot.h"
#include "runtime/formats/leftover.h"

namespace bristle {
namespace {

Json outputJson(const Output& output) {
  Json out{{"output", outputNames()[static_cast<size_t>(output.sort)]}};
  if (output.scale != 1) out["scale"] = output.scale;
  if (output.trim) out["trim"] = true;
  if (output.placed) out["placed"] = true;
  if (!output.captions) out["captions"] = false;
  if (output.frames != 0) out["frames"] = output.frames;
  if (!output.since.empty()) out["since"] = output.since;
  putBack(out, output.extra);
  return out;
}

Output readOutput(JsonReader& r, const Json& value, const JsonPlace& at) {
  Output out;
  if (!r.isObject(value, at)) return out;
  out.sort = static_cast<OutputSort>(r.choice(value, at, "output", outputNames()));
  out.scale = r.number(value, at, "scale", 1, 0.25, 4);
  out.trim = r.boolean(value, at, "trim", false);
  out.placed = r.boolean(value, at, "placed", false);
  out.captions = r.boolean(value, at, "captions", true);
  out.frames = int(r.number(value, at, "frames", 0, 0, kMostFrames));
  out.since = r.text(value, at, "since");
  out.extra = leftover(value, outputJson(out));
  return out;
}

}  // namespace

Json toJson(const Delivery& delivery) {
  Json out{{"id", delivery.id.text},
           {"name", delivery.name},
           {"folder", delivery.folder},
           {"outputs", Json::array()}};
  for (const Output& output : delivery.outputs) out["outputs"].push_back(outputJson(output));
  putBack(out, delivery.extra);
  return out;
}

Delivery readDelivery(JsonReader& r, const Json& value, const JsonPlace& at) {
  Delivery out;
  if (!r.isObject(value, at)) return out;
  out.id = {r.id(value, at, "id")};
  out.name = r.text(value, at, "name");
  out.folder = r.text(value, at, "folder");
  r.each(value, at, "outputs", [&](const Json& one, const JsonPlace& here) {
    out.outputs.push_back(readOutput(r, one, here));
  });
  if (!r.error()) r.complain(at, whyNot(out));
  out.extra = leftover(value, toJson(out));
  return out;
}

}  // namespace bristle
