/** Columns that every table is made of. */
import { DataTypes } from 'sequelize';

export const id = { type: DataTypes.STRING(80), allowNull: false, primaryKey: true };
export const serial = { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true };
export const grams = (allowNull: boolean) => ({ type: DataTypes.DECIMAL(14, 3), allowNull });
export const json = (allowNull = false) => ({ type: DataTypes.TEXT('long'), allowNull });
export const text = (length: number, allowNull = false) => ({ type: DataTypes.STRING(length), allowNull });
export const moment = (allowNull = false) => ({ type: DataTypes.DATE(3), allowNull });
export const reference = (table: string, allowNull: boolean, onDelete: 'CASCADE' | 'RESTRICT') => ({
  type: DataTypes.STRING(80),
  allowNull,
  references: { model: table, key: 'id' },
  onDelete,
});
