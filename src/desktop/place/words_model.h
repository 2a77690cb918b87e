// All texts of the project that people read, a row each, a column for each language.
#pragma once
#include <QAbstractTableModel>
#include <QColor>
#include <vector>

#include "core/formats/words.h"

namespace bristle {

class Work;

class WordsModel : public QAbstractTableModel {
  Q_OBJECT
 public:
  // For the role by which rows are filtered: whether words are missing in some language.
  static constexpr int kMissing = Qt::UserRole;
  explicit WordsModel(Work& work, QObject* parent = nullptr);
  // `missing`: the colour of what is not there.
  void refresh(const QColor& missing);

  int rowCount(const QModelIndex& parent) const override;
  int columnCount(const QModelIndex& parent) const override;
  QVariant data(const QModelIndex& index, int role) const override;
  QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
  bool setData(const QModelIndex& index, const QVariant& value, int role) override;
  Qt::ItemFlags flags(const QModelIndex& index) const override;

 private:
  bool isMissing(int row, size_t language) const;
  void count();
  Work& work_;
  QColor missingColour_;
  Project project_;  // whose texts the words are of
  std::vector<Words> words_;
  std::vector<int> missing_;  // by language: how many have no words in it
};

}  // namespace bristle
