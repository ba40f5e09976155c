using System.Text.Json.Serialization;

namespace AbleMend.Core.Stock;

/// <summary>What a material is counted in.</summary>
[JsonConverter(typeof(Kebab<StockUnit>))]
public enum StockUnit
{
    /// <summary>Millilitres; of a two-part resin both parts together.</summary>
    Ml,

    /// <summary>Grams; of a two-part resin both parts together.</summary>
    G,

    /// <summary>Kits of a tin and a vial.</summary>
    Kit,

    /// <summary>Pieces.</summary>
    Piece,

    /// <summary>Square centimetres of cloth or sheet.</summary>
    Cm2,

    /// <summary>Millimetres of rod or tape.</summary>
    Mm,
}
