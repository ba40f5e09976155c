using AbleMend.Data;

namespace AbleMend.Server.Tests;

/// <summary>A clock that is set back or a machine that slept must not make a wait longer or lock a mend.</summary>
public class ShopClockTests
{
    private static readonly DateTimeOffset Start = new(2026, 5, 6, 9, 0, 0, TimeSpan.Zero);

    /// <summary>A machine whose clock is set by hand, beside what really passes.</summary>
    private sealed class Machine : TimeProvider
    {
        private TimeSpan _passed;
        private DateTimeOffset _shown = Start;

        public override long TimestampFrequency => TimeSpan.TicksPerSecond;

        public override DateTimeOffset GetUtcNow() => _shown;

        public override long GetTimestamp() => _passed.Ticks;

        public void Runs(TimeSpan span) => (_passed, _shown) = (_passed + span, _shown + span);

        public void IsSet(TimeSpan by) => _shown += by;
    }

    [Fact]
    public void A_clock_that_is_set_back_is_not_followed_and_it_is_said()
    {
        var machine = new Machine();
        var shop = new ShopClock(null, machine);
        shop.GetUtcNow().ShouldBe(Start);
        machine.Runs(TimeSpan.FromMinutes(20));
        machine.IsSet(TimeSpan.FromHours(-1));
        shop.GetUtcNow().ShouldBe(Start.AddMinutes(20));
        machine.Runs(TimeSpan.FromMinutes(10));
        shop.GetUtcNow().ShouldBe(Start.AddMinutes(30), "the wait goes on as it was");
        shop.Ahead.ShouldBe(TimeSpan.FromHours(1));
        machine.IsSet(TimeSpan.FromMinutes(-15));
        shop.GetUtcNow().ShouldBe(Start.AddMinutes(30), "and once more");
        shop.Ahead.ShouldBe(TimeSpan.FromMinutes(75));
    }

    [Theory]
    [InlineData(60, 20, "set right again, nothing has happened")]
    [InlineData(90, 50, "what it is set beyond that is followed")]
    public void One_that_is_set_right_again_takes_nothing_from_a_wait(int forwardMin, int shownMin, string why)
    {
        var machine = new Machine();
        var shop = new ShopClock(null, machine);
        _ = shop.GetUtcNow();
        machine.IsSet(TimeSpan.FromHours(-1));
        _ = shop.GetUtcNow();
        machine.Runs(TimeSpan.FromMinutes(20));
        machine.IsSet(TimeSpan.FromMinutes(forwardMin));
        shop.GetUtcNow().ShouldBe(Start.AddMinutes(shownMin), why);
        shop.Ahead.ShouldBe(TimeSpan.Zero);
    }

    // A machine without a clock of its own begins where it was switched off, and learns the time from the network a little later.
    [Fact]
    public void One_that_learns_the_time_after_its_start_is_right_from_then_on()
    {
        var machine = new Machine();
        var shop = new ShopClock(null, machine);
        shop.BeginAfter(Start.AddMinutes(45));
        machine.Runs(TimeSpan.FromMinutes(1));
        machine.IsSet(TimeSpan.FromHours(9));
        shop.GetUtcNow().ShouldBe(Start.AddMinutes(1).AddHours(9));
        shop.Ahead.ShouldBe(TimeSpan.Zero);
    }

    [Fact]
    public void A_machine_that_slept_shows_the_time_at_once()
    {
        var machine = new Machine();
        var shop = new ShopClock(null, machine);
        _ = shop.GetUtcNow();
        // What counts the time that passes stands still meanwhile.
        machine.IsSet(TimeSpan.FromHours(7));
        shop.GetUtcNow().ShouldBe(Start.AddHours(7));
        shop.Ahead.ShouldBe(TimeSpan.Zero);
    }

    [Fact]
    public void One_that_is_drawn_to_the_right_time_a_little_is_followed()
    {
        var machine = new Machine();
        var shop = new ShopClock(null, machine);
        _ = shop.GetUtcNow();
        machine.Runs(TimeSpan.FromMinutes(1));
        machine.IsSet(TimeSpan.FromMilliseconds(-800));
        shop.GetUtcNow().ShouldBe(Start.AddSeconds(59.2));
        shop.Ahead.ShouldBe(TimeSpan.Zero);
    }

    [Theory]
    [InlineData(60, 60, "it goes on from what was written")]
    [InlineData(26 * 60, 0, "a clock that was a day ahead was wrong then, and is right now")]
    [InlineData(-60, 0, "what was written lies behind, as it should")]
    public void A_start_begins_no_sooner_than_what_was_written(int writtenAheadMin, int aheadMin, string why)
    {
        var shop = new ShopClock(null, new Machine());
        shop.BeginAfter(Start.AddMinutes(writtenAheadMin));
        shop.GetUtcNow().ShouldBe(Start.AddMinutes(aheadMin), why);
        shop.Ahead.ShouldBe(TimeSpan.FromMinutes(aheadMin));
    }

    [Fact]
    public void One_that_was_asked_to_show_an_instant_shows_it()
    {
        var shop = new ShopClock(Start.AddYears(1), new Machine());
        shop.BeginAfter(Start.AddYears(1).AddHours(2));
        shop.GetUtcNow().ShouldBe(Start.AddYears(1));
    }

    [Fact]
    public async Task What_was_last_written_of_a_mend_under_way_is_found_in_the_file()
    {
        using var shop = Shop.Empty();
        var connection = MendDb.ConnectionTo(shop.Database);
        (await ShopFile.LastWrittenAsync(connection, CancellationToken.None)).ShouldBeNull("nothing is under way");
        var mend = await shop.OpenMendAsync();
        (await ShopFile.LastWrittenAsync(connection, CancellationToken.None)).ShouldBeNull("a draft waits for nothing");
        shop.Time.Advance(TimeSpan.FromMinutes(3));
        await shop.StartAsync(mend);
        (await ShopFile.LastWrittenAsync(connection, CancellationToken.None)).ShouldBe(shop.Time.GetUtcNow());
    }
}
