using AbleMend.Core.Intake;
using AbleMend.Core.Running;
using AbleMend.Core.Worth;

namespace AbleMend.Core.Tests.Intake;

/// <summary>Where a ticket stands and what is asked for it.</summary>
public class TicketTests
{
    private static readonly DateTimeOffset At = new(2026, 5, 6, 9, 0, 0, TimeSpan.Zero);

    private static Bill Costs(double total) => new(60, total, [], 0, 0, 0, total);

    private static TicketMend Mend(MendStatus status, double planned, double? upTo, double? actual = null) =>
        new(status, upTo is { } most ? new Agreement(At, "Iris", null, most, "EUR", []) : null, new Estimate("EUR", Costs(planned), planned * 0.9, planned * 1.3, actual is { } came ? Costs(came) : null));

    [Theory]
    [InlineData(new[] { MendStatus.Draft, MendStatus.Draft }, new double[] { 60, 60 }, TicketStanding.Agreed)]
    [InlineData(new[] { MendStatus.Draft, MendStatus.Draft }, new double[] { 60, 40 }, TicketStanding.AwaitsYes)]
    [InlineData(new[] { MendStatus.Running, MendStatus.Draft }, new double[] { 60, 60 }, TicketStanding.UnderWay)]
    [InlineData(new[] { MendStatus.HandedBack, MendStatus.Draft }, new double[] { 60, 60 }, TicketStanding.UnderWay)]
    [InlineData(new[] { MendStatus.HandedBack, MendStatus.SentOn }, new double[] { 40, 0 }, TicketStanding.ToCollect)]
    [InlineData(new MendStatus[0], new double[0], TicketStanding.AwaitsYes)]
    public void A_ticket_stands_where_the_least_advanced_of_its_mends_holds_it(MendStatus[] statuses, double[] agreed, TicketStanding standing)
    {
        var mends = statuses.Zip(agreed, (status, upTo) => Mend(status, 50, upTo)).ToList();
        Ticket.StandingOf(mends, collected: false).ShouldBe(standing);
        Ticket.StandingOf(mends, collected: true).ShouldBe(TicketStanding.Collected);
    }

    [Fact]
    public void Nobody_has_said_yes_to_what_nothing_was_said_of() => Ticket.StandingOf([Mend(MendStatus.Draft, 50, null)], collected: false).ShouldBe(TicketStanding.AwaitsYes);

    [Fact]
    public void A_yes_covers_no_more_than_it_was_said_to()
    {
        Mend(MendStatus.Draft, 50, 50).IsAgreed.ShouldBeTrue();
        Mend(MendStatus.Draft, 50.01, 50).IsAgreed.ShouldBeFalse();
        Mend(MendStatus.Running, 50, 60, actual: 61).IsAgreed.ShouldBeFalse("more was done than was said yes to");
        (Mend(MendStatus.Draft, 50, 60) with { Estimate = new Estimate("USD", Costs(50), 45, 65, null) }).IsAgreed.ShouldBeFalse("other money");
        new Agreement(At, "Iris", null, null, null, []).Covers(new Estimate("EUR", Costs(50), 45, 65, null)).ShouldBeTrue("no money was spoken of");
    }

    /// <summary>Worked by hand: 55 came of 50 planned and is asked for; 70 came of 50 but only 60 was agreed; what is not mended costs nothing.</summary>
    [Fact]
    public void What_is_asked_is_what_it_came_to_and_never_more_than_was_agreed() =>
        Ticket.TotalOf([Mend(MendStatus.HandedBack, 50, 60, 55), Mend(MendStatus.HandedBack, 50, 60, 70), Mend(MendStatus.SentOn, 50, 60)]).ShouldBe(115);
}
