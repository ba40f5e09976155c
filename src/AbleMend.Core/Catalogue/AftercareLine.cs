using AbleMend.Core.Gear;
using AbleMend.Core.Limits;
using AbleMend.Core.Words;

namespace AbleMend.Core.Catalogue;

/// <summary>
/// A line of aftercare and the mends that it is for: every list that is given must name the mend, a list that is not given asks nothing.
/// Lines and days are common practice, no source, written down from memory.
/// </summary>
/// <param name="Id">Identifier.</param>
/// <param name="Text">What to watch and what to do about it.</param>
/// <param name="Families">Families of gear.</param>
/// <param name="Damages">Kinds of damage.</param>
/// <param name="Traits">Traits of the place that is hurt, any of them.</param>
/// <param name="Methods">Identifiers of ways of mending.</param>
/// <param name="Chemistries">Chemistries of the main material.</param>
/// <param name="Permanence">How long the mend is meant to hold.</param>
/// <param name="Figure">Identifier of a figure that goes with it, where the plan has it.</param>
/// <param name="LookAgainDays">Days after it is ready that somebody looks again, above 0; null where this line asks for no look.</param>
public sealed record AftercareLine(
    string Id,
    [property: Size(10, 400)][property: Words] string Text,
    IReadOnlyList<GearFamily>? Families = null,
    IReadOnlyList<DamageKind>? Damages = null,
    IReadOnlyList<string>? Traits = null,
    IReadOnlyList<string>? Methods = null,
    IReadOnlyList<string>? Chemistries = null,
    Permanence? Permanence = null,
    string? Figure = null,
    [property: Limits(1, 730, "days")] int? LookAgainDays = null);
