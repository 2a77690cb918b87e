#include "runtime/document/kind.h"

#include <algorithm>

namespace bristle {
namespace {

constexpr PartType kTypes[] = {PartType::Whole,  PartType::Shape,   PartType::Label,
                               PartType::Marker, PartType::Picture, PartType::Icon};

const Value* inColumn(const LookValues& base, const std::map<StateId, LookValues>& departures,
                      const Column& column, const PropKey& key) {
  if (!column) return base.find(key);
  const auto at = departures.find(*column);
  return at == departures.end() ? nullptr : at->second.find(key);
}

template <class Values>
auto lower(Values& values, const PropKey& key) {
  return std::lower_bound(values.begin(), values.end(), key,
                          [](const auto& entry, const PropKey& k) { return entry.first < k; });
}

}  // namespace

const Value* LookValues::find(const PropKey& key) const {
  const auto at = lower(values_, key);
  return at != values_.end() && at->first == key ? &at->second : nullptr;
}

void LookValues::set(const PropKey& key, Value value) {
  const auto at = lower(values_, key);
  if (at != values_.end() && at->first == key) {
    at->second = std::move(value);
  } else {
    values_.insert(at, {key, std::move(value)});
  }
}

bool LookValues::clear(const PropKey& key) {
  const auto at = lower(values_, key);
  if (at == values_.end() || at->first != key) return false;
  values_.erase(at);
  return true;
}

void LookValues::clearPart(const PartId& part) {
  std::erase_if(values_, [&](const auto& entry) { return entry.first.part == part; });
}

const PartType* partType(const Kind& kind, const PartId& part) {
  if (!part) return &kTypes[0];
  for (const Part& p : kind.parts)
    if (p.id == part) return &kTypes[static_cast<size_t>(p.type)];
  return nullptr;
}

Value baseValue(const Kind& kind, const PropKey& key) {
  if (const Value* value = kind.base.find(key)) return *value;
  if (const PartType* type = partType(kind, key.part))
    if (const PropertyInfo* info = findProperty(*type, key.prop)) return info->start;
  return 0.0;
}

void clearPart(StateMotions& motions, const PartId& part) {
  for (auto& [state, motion] : motions)
    std::erase_if(motion.tracks, [&](const MotionTrack& t) { return t.key.part == part; });
  std::erase_if(motions, [](const auto& entry) { return entry.second.tracks.empty(); });
}

const Value* ownValue(const Kind& kind, const Column& column, const PropKey& key) {
  return inColumn(kind.base, kind.departures, column, key);
}

const Value* ownValue(const OwnLook& own, const Column& column, const PropKey& key) {
  return inColumn(own.base, own.departures, column, key);
}

Value valueIn(const Kind& kind, const StateId& state, const PropKey& key) {
  return valueIn(kind, nullptr, state, key);
}

Value valueIn(const Kind& kind, const OwnLook* own, const Column& column, const PropKey& key) {
  for (const Column& c : {column, Column{}}) {
    if (own)
      if (const Value* value = ownValue(*own, c, key)) return *value;
    if (const Value* value = ownValue(kind, c, key)) return *value;
  }
  return baseValue(kind, key);
}

std::vector<PropKey> allProperties(const Kind& kind) {
  std::vector<PropKey> keys;
  for (const Part& part : kind.parts)
    for (const PropertyInfo& info : propertiesOf(part.type)) keys.push_back({part.id, info.prop});
  for (const PropertyInfo& info : propertiesOf(PartType::Whole)) keys.push_back({{}, info.prop});
  return keys;
}

}  // namespace bristle
